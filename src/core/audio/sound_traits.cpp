// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/audio/sound_traits.h"

#include <algorithm>
#include <bit>
#include <cmath>
#include <complex>
#include <numbers>
#include <numeric>
#include <vector>

#include "core/audio/decoder.h"

extern "C" {
#include <libavutil/mem.h>
#include <libavutil/tx.h>
}

namespace moorfrost::audio {

namespace {

constexpr size_t frameSize = 512; // 46 ms
constexpr size_t hop = 256;
constexpr double framesPerSecond = static_cast<double>(traitsRate) / hop;
constexpr double secondsHeard = 60;
constexpr double silence = 1e-6; // of full scale

/// The powers of the spectrum of real values; FFmpeg's transform.
class Spectrum {
public:
    explicit Spectrum(size_t size) : size_(size) {
        float scale = 1;
        av_tx_init(&context_, &transform_, AV_TX_FLOAT_RDFT, 0, static_cast<int>(size), &scale, 0);
        in_ = static_cast<float*>(av_malloc(size * sizeof(float)));
        out_ = static_cast<float*>(av_malloc((size + 2) * sizeof(float)));
    }
    ~Spectrum() {
        av_tx_uninit(&context_);
        av_free(in_);
        av_free(out_);
    }
    Spectrum(const Spectrum&) = delete;
    Spectrum& operator=(const Spectrum&) = delete;

    /// With a Hann window; `values` may be shorter than the size.
    const std::vector<double>& of(std::span<const double> values) {
        power_.assign(size_ / 2, 0);
        if (!transform_)
            return power_;
        const double step = 2 * std::numbers::pi / static_cast<double>(values.size());
        for (size_t i = 0; i < size_; ++i)
            in_[i] =
                i < values.size()
                    ? static_cast<float>(values[i] * (0.5 - 0.5 * std::cos(step * static_cast<double>(i))))
                    : 0.0f;
        transform_(context_, out_, in_, sizeof(float));
        for (size_t i = 1; i < size_ / 2; ++i)
            power_[i] = static_cast<double>(out_[2 * i]) * static_cast<double>(out_[2 * i]) +
                        static_cast<double>(out_[2 * i + 1]) * static_cast<double>(out_[2 * i + 1]);
        return power_;
    }

private:
    size_t size_;
    AVTXContext* context_ = nullptr;
    av_tx_fn transform_ = nullptr;
    float *in_ = nullptr, *out_ = nullptr;
    std::vector<double> power_;
};

struct Frame {
    double level = 0; // RMS, 0 to 1
    size_t peak = 0;  // strongest bin
    double peakShare = 0;
    double flatness = 0;
};

Frame frameOf(std::span<const int16_t> samples, Spectrum& spectrum) {
    std::vector<double> values(samples.begin(), samples.end());
    double sum = 0;
    for (double& v : values) {
        v /= 32768;
        sum += v * v;
    }
    Frame frame;
    frame.level = std::sqrt(sum / static_cast<double>(values.size()));
    const std::vector<double>& power = spectrum.of(values);
    const auto from = static_cast<size_t>(100.0 * frameSize / traitsRate);
    const double total = std::accumulate(power.begin() + static_cast<std::ptrdiff_t>(from), power.end(), 0.0);
    if (total <= 0)
        return frame;
    frame.peak = static_cast<size_t>(
        std::max_element(power.begin() + static_cast<std::ptrdiff_t>(from), power.end()) - power.begin());
    double atPeak = 0, logs = 0;
    for (size_t i = from; i < power.size(); ++i) {
        if (i + 2 >= frame.peak && i <= frame.peak + 2)
            atPeak += power[i];
        logs += std::log(power[i] + 1e-12);
    }
    const auto bins = static_cast<double>(power.size() - from);
    frame.peakShare = atPeak / total;
    frame.flatness = std::exp(logs / bins) / (total / bins);
    return frame;
}

double decibels(double level) {
    return 20 * std::log10(std::max(level, silence));
}

/// How the level goes up and down: `syllables` and `regularity`.
void listenToLevels(const std::vector<Frame>& frames, SoundTraits& traits) {
    std::vector<double> levels;
    for (const Frame& f : frames)
        levels.push_back(f.level);
    const double mean =
        std::accumulate(levels.begin(), levels.end(), 0.0) / static_cast<double>(levels.size());
    for (double& l : levels)
        l -= mean;
    const size_t size = std::bit_ceil(levels.size());
    Spectrum spectrum(size);
    const std::vector<double>& power = spectrum.of(levels);
    const double hertz = framesPerSecond / static_cast<double>(size);
    double all = 0, syllables = 0, strongest = 0;
    const auto from = static_cast<size_t>(0.5 / hertz),
               to = std::min(power.size(), static_cast<size_t>(16 / hertz));
    const auto width = static_cast<size_t>(std::ceil(0.15 / hertz)); // a beat is as sharp as that
    for (size_t i = from; i < to; ++i) {
        all += power[i];
        const double at = static_cast<double>(i) * hertz;
        if (at >= 2.5 && at <= 8)
            syllables += power[i];
        double band = 0;
        for (size_t k = std::max(from, i - std::min(i, width)); k <= std::min(i + width, to - 1); ++k)
            band += power[k];
        if (at >= 1) // slower is no beat
            strongest = std::max(strongest, band);
    }
    traits.syllables = all > 0 ? syllables / all : 0;
    traits.regularity = all > 0 ? strongest / all : 0;
}

} // namespace

SoundTraits soundTraitsOf(std::span<const int16_t> samples) {
    SoundTraits traits;
    traits.seconds = static_cast<double>(samples.size()) / traitsRate;
    Spectrum spectrum(frameSize);
    std::vector<Frame> frames;
    for (size_t at = 0; at + frameSize <= samples.size(); at += hop)
        frames.push_back(frameOf(samples.subspan(at, frameSize), spectrum));
    if (frames.size() < 8)
        return traits;
    double energy = 0;
    for (const Frame& f : frames)
        energy += f.level * f.level;
    const double level = std::sqrt(energy / static_cast<double>(frames.size()));
    traits.level = decibels(level);

    std::vector<double> sounding;
    std::vector<size_t> tones;
    double flatness = 0;
    size_t low = 0;
    const auto second = static_cast<size_t>(framesPerSecond);
    for (size_t i = 0; i < frames.size(); ++i) {
        const size_t from = i / second * second, to = std::min(from + second, frames.size());
        double mean = 0;
        for (size_t k = from; k < to; ++k)
            mean += frames[k].level;
        low += frames[i].level < 0.5 * mean / static_cast<double>(to - from);
        if (decibels(frames[i].level) < traits.level - 30 || frames[i].level <= silence)
            continue;
        sounding.push_back(decibels(frames[i].level));
        flatness += frames[i].flatness;
        if (frames[i].peakShare > 0.9)
            tones.push_back(frames[i].peak); // little else sounds
    }
    traits.lowFrames = static_cast<double>(low) / static_cast<double>(frames.size());
    traits.pauses = 1 - static_cast<double>(sounding.size()) / static_cast<double>(frames.size());
    if (sounding.empty())
        return traits;
    const auto n = static_cast<double>(sounding.size());
    const double mean = std::accumulate(sounding.begin(), sounding.end(), 0.0) / n;
    for (double db : sounding)
        traits.spread += (db - mean) * (db - mean) / n;
    traits.spread = std::sqrt(traits.spread);
    traits.flatness = flatness / n;
    if (!tones.empty()) {
        std::nth_element(tones.begin(), tones.begin() + std::ssize(tones) / 2, tones.end());
        const size_t middle = tones[tones.size() / 2];
        const auto same = std::count_if(tones.begin(), tones.end(),
                                        [&](size_t bin) { return bin + 1 >= middle && bin <= middle + 1; });
        traits.pureTones = static_cast<double>(tones.size()) / n;
        traits.oneTone = static_cast<double>(same) / n;
        traits.toneHertz = static_cast<double>(middle) * traitsRate / frameSize;
    }
    listenToLevels(frames, traits);
    return traits;
}

Result<SoundTraits> soundTraitsOf(const Path& path, std::stop_token stop,
                                  const std::function<void(double)>& going) {
    auto decoder = Decoder::open(path, traitsRate, 1);
    if (!decoder)
        return decoder.error();
    if (const double length = (*decoder)->seconds(); length > secondsHeard)
        (*decoder)->seek((length - secondsHeard) / 2);
    std::vector<int16_t> heard;
    constexpr auto most = static_cast<size_t>(secondsHeard * traitsRate);
    for (auto samples = (*decoder)->next(); !samples.empty() && heard.size() < most;
         samples = (*decoder)->next()) {
        if (stop.stop_requested())
            return Error{ErrorKind::Cancelled, path, "Stopped."};
        const size_t before = heard.size() / (10 * traitsRate);
        heard.insert(heard.end(), samples.begin(), samples.end());
        if (going && heard.size() / (10 * traitsRate) != before)
            going(static_cast<double>(heard.size()) / traitsRate);
    }
    return soundTraitsOf(std::span(heard).first(std::min(heard.size(), most)));
}

} // namespace moorfrost::audio
