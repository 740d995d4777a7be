// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/measure/loudness_meter.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <numeric>

#include <ebur128.h>

#include "core/measure/level_meter.h"
#include "core/measure/true_peak.h"

namespace moorfrost::measure {

namespace {

double powerOf(int tenths) {
    return std::pow(10, (tenths / 10.0 + 0.691) / 10);
}

double meanOver(const LoudnessBlocks& blocks, int from, double& count) {
    double sum = 0;
    count = 0;
    for (auto it = blocks.lower_bound(from); it != blocks.end(); ++it) {
        sum += powerOf(it->first) * it->second;
        count += it->second;
    }
    return count > 0 ? 10 * std::log10(sum / count) - 0.691 : -200;
}

} // namespace

std::optional<double> integrated(const LoudnessBlocks& blocks) {
    double count = 0;
    const double all = meanOver(blocks, -700, count);
    if (count == 0)
        return std::nullopt;
    const double gated = meanOver(blocks, static_cast<int>(std::floor((all - 10) * 10)), count);
    return count > 0 ? std::optional(gated) : std::nullopt;
}

struct LoudnessMeter::State {
    ebur128_state* meter = nullptr;
    size_t channels = 1;
    size_t step = 4410; // a tenth of a second
    size_t inStep = 0;
    uint64_t steps = 0;
    std::array<double, 4> powers{}; // of the last steps: a block of 0.4 seconds
    std::vector<float> together;
    LoudnessBlocks blocks;
    std::vector<TruePeak> peaks; // of each channel
    ~State() {
        if (meter)
            ebur128_destroy(&meter);
    }
};

LoudnessMeter::LoudnessMeter(int rate, int channels) : state_(std::make_unique<State>()) {
    state_->channels = static_cast<size_t>(channels);
    state_->step = static_cast<size_t>(std::max(1, rate / 10));
    state_->meter = ebur128_init(static_cast<unsigned>(channels), static_cast<unsigned long>(rate),
                                 EBUR128_MODE_I | EBUR128_MODE_LRA | EBUR128_MODE_HISTOGRAM);
    state_->peaks.resize(state_->channels);
}

LoudnessMeter::~LoudnessMeter() = default;

void LoudnessMeter::feed(const std::vector<std::vector<float>>& channels) {
    State& s = *state_;
    if (!s.meter)
        return;
    const size_t frames = channels.front().size();
    for (size_t c = 0; c < s.channels; ++c)
        s.peaks[c].feed(channels[c]);
    for (size_t from = 0; from < frames;) {
        const size_t n = std::min(frames - from, s.step - s.inStep);
        s.together.resize(n * s.channels);
        for (size_t i = 0; i < n; ++i)
            for (size_t c = 0; c < s.channels; ++c)
                s.together[i * s.channels + c] = channels[c][from + i];
        ebur128_add_frames_float(s.meter, s.together.data(), n);
        from += n;
        s.inStep += n;
        if (s.inStep < s.step)
            continue;
        s.inStep = 0;
        // Of the last step alone, and added up: each sample is squared once, not four times.
        double last = 0;
        const bool told = ebur128_loudness_window(s.meter, 100, &last) == EBUR128_SUCCESS;
        s.powers[s.steps++ % s.powers.size()] = told && std::isfinite(last) ? std::pow(10, last / 10) : 0;
        if (s.steps < s.powers.size())
            continue;
        const double loud = 10 * std::log10(std::reduce(s.powers.begin(), s.powers.end()) /
                                            static_cast<double>(s.powers.size()));
        if (loud > -70)
            ++s.blocks[static_cast<int>(std::lround(loud * 10))];
    }
}

LoudnessFacts LoudnessMeter::result() const {
    const State& s = *state_;
    LoudnessFacts out;
    out.blocks = s.blocks;
    if (!s.meter)
        return out;
    double v = 0;
    if (ebur128_loudness_global(s.meter, &v) == EBUR128_SUCCESS && std::isfinite(v))
        out.integrated = v;
    if (ebur128_loudness_range(s.meter, &v) == EBUR128_SUCCESS && std::isfinite(v))
        out.range = v;
    for (const TruePeak& peak : s.peaks)
        out.truePeak = std::max(out.truePeak, decibels(static_cast<double>(peak.highest())));
    return out;
}

} // namespace moorfrost::measure
