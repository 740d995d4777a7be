// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/measure/hum_meter.h"

#include <algorithm>
#include <cmath>

namespace moorfrost::measure {

namespace {

constexpr size_t size = 4096; // samples of a frame, about 2.7 seconds
constexpr double top = 400;   // Hz
constexpr int mostTones = 6;
constexpr double leastOver = 12; // dB
constexpr double leastLevel = -84;

} // namespace

HumMeter::HumMeter(int rate)
    : factor_(std::max(1, rate / 1500)), rate_(static_cast<double>(rate) / factor_), fft_(size) {
    gathered_.reserve(size);
}

void HumMeter::feed(std::span<const float> samples) {
    // Means of as many samples, then of three of these in turn: what lies above is gone well enough.
    for (const float v : samples) {
        sums_[0] += static_cast<double>(v);
        if (++inSum_ < factor_)
            continue;
        const double mean = sums_[0] / factor_;
        sums_[0] = 0;
        inSum_ = 0;
        gathered_.push_back(static_cast<float>((mean + 2 * sums_[1] + sums_[2]) / 4));
        sums_[2] = sums_[1];
        sums_[1] = mean;
        if (gathered_.size() == size)
            take();
    }
}

void HumMeter::take() {
    if (frame_++ % every_ == 0) {
        if (frames_.size() == mostFrames) { // every second one stays
            for (size_t i = 0; i < frames_.size() / 2; ++i)
                frames_[i] = std::move(frames_[2 * i]);
            frames_.resize(frames_.size() / 2);
            every_ *= 2;
        }
        const std::span<float> in = fft_.in();
        for (size_t i = 0; i < size; ++i)
            in[i] = gathered_[i] * hann(i, size) * 4 / static_cast<float>(size); // a sine of full scale: 0 dB
        const auto out = fft_.run();
        const auto lines = static_cast<size_t>(top / rate_ * size) + 8;
        std::vector<float>& levels = frames_.emplace_back();
        for (size_t i = 0; i < std::min(lines, out.size()); ++i)
            levels.push_back(10 * std::log10(std::norm(out[i]) + 1e-20f));
    }
    gathered_.clear();
}

Hum HumMeter::result() const {
    if (frames_.size() < 4)
        return {};
    // What is there all the time is there in the softest places, too.
    std::vector<float> soft(frames_.front().size()), some(frames_.size());
    for (size_t line = 0; line < soft.size(); ++line) {
        for (size_t i = 0; i < frames_.size(); ++i)
            some[i] = frames_[i][line];
        const auto at = some.begin() + static_cast<std::ptrdiff_t>(some.size() / 6);
        std::ranges::nth_element(some, at);
        soft[line] = *at;
    }
    const double lineHertz = rate_ / size;
    auto line = [&](double hertz) {
        return std::min(soft.size() - 1, static_cast<size_t>(std::lround(hertz / lineHertz)));
    };
    Hum best;
    for (const double mains : {50.0, 60.0})
        for (double hertz = mains * 0.992; hertz <= mains * 1.008; hertz += 0.1) {
            Hum one{mains, -200, 0, 0};
            bool low = false;
            for (int tone = 1; tone <= mostTones && tone * hertz < top - 12; ++tone) {
                const size_t at = line(tone * hertz);
                const float level = soft[at];
                std::vector<float> beside;
                for (size_t k = line(tone * hertz - 10); k <= line(tone * hertz + 10); ++k)
                    if (k + 5 < at || k > at + 5)
                        beside.push_back(soft[k]);
                // The loudest but a few of its neighbours: a tone of the music is no reason, and no excuse.
                const auto most = beside.begin() + static_cast<std::ptrdiff_t>(beside.size() * 4 / 5);
                std::ranges::nth_element(beside, most);
                const double over = static_cast<double>(level - *most);
                if (over < leastOver || static_cast<double>(level) < leastLevel)
                    continue;
                ++one.tones;
                low = low || tone <= 2;
                one.over = std::max(one.over, over);
                one.level = std::max(one.level, static_cast<double>(level));
            }
            if (low && one.tones >= 2 &&
                (one.tones > best.tones || (one.tones == best.tones && one.over > best.over)))
                best = one;
        }
    return best;
}

} // namespace moorfrost::measure
