// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/measure/spectrum_meter.h"

#include <algorithm>
#include <bit>
#include <cmath>
#include <functional>
#include <utility>

namespace moorfrost::measure {

namespace {

/// About ten lines a hundred Hz, whatever the rate.
size_t sizeFor(int rate) {
    return std::clamp<size_t>(std::bit_floor(static_cast<size_t>(std::max(1, rate)) * 4 / 33), 1024, 1 << 16);
}

constexpr float lowest = 1e-16f; // power, -160 dB
constexpr size_t leastFrames = 8;
constexpr double leastStep = 5; // dB
constexpr size_t mostEdges = 3;

/// Means of levels over a stretch of the spectrum.
class Means {
public:
    Means(const std::vector<double>& levels, double line) : line_(line), sums_(levels.size() + 1) {
        for (size_t i = 0; i < levels.size(); ++i)
            sums_[i + 1] = sums_[i] + levels[i];
    }
    double operator()(double from, double to) const {
        const auto last = static_cast<double>(sums_.size() - 2);
        const auto a = static_cast<size_t>(std::clamp(from / line_, 0.0, last));
        const auto b =
            std::clamp<size_t>(static_cast<size_t>(std::max(0.0, to / line_)), a + 1, sums_.size() - 1);
        return (sums_[b] - sums_[a]) / static_cast<double>(b - a);
    }

private:
    double line_;
    std::vector<double> sums_;
};

/// From where on it falls, to where, how deep.
SpectrumEdge edgeAt(const Means& mean, double hertz, double line, double top) {
    SpectrumEdge out;
    out.hertz = hertz;
    const double below = mean(hertz - 700, hertz - 300);
    const double end = std::min(top - 60, hertz + 700);
    const double above = mean(std::min(hertz + 300, end - 150), end);
    out.drop = below - above;
    out.floor = above;
    double from = hertz, to = hertz;
    while (from > hertz - 1500 && mean(from - 25, from + 25) < below - 0.2 * out.drop)
        from -= line;
    while (to < end && mean(to - 25, to + 25) > above + 0.2 * out.drop)
        to += line;
    out.width = to - from;
    const double far = mean(top - 800, top - 100);
    for (out.ends = to; out.ends + 150 < top && mean(out.ends - 50, out.ends + 50) > far + 3;)
        out.ends += line;
    double loudest = -200, softest = 200;
    for (double f = hertz + 300; f + 300 < top; f += 100) {
        loudest = std::max(loudest, mean(f - 100, f + 100));
        softest = std::min(softest, mean(f - 100, f + 100));
    }
    out.above = std::max(0.0, loudest - softest);
    return out;
}

} // namespace

SpectrumMeter::SpectrumMeter(int rate)
    : rate_(rate), fft_(sizeFor(rate)), window_(fft_.size()), sum_(fft_.size() / 2 + 1) {
    double power = 0;
    for (size_t i = 0; i < window_.size(); ++i) {
        window_[i] = hann(i, window_.size());
        power += static_cast<double>(window_[i]);
    }
    for (float& w : window_)
        w *= static_cast<float>(2 / power); // a sine of full scale comes to 0 dB
    gathered_.reserve(fft_.size());
    now_.resize(sum_.size());
    for (const int lower : {8000, 11025, 12000, 16000, 22050, 24000, 32000, 44100, 48000, 88200, 96000}) {
        if (lower > rate_ * 0.93)
            break;
        lowerRates_.push_back(lower);
        Mirror& mirror = mirrors_.emplace_back();
        const double half = lower / 2.0 / lineHertz();
        const double far = std::min(0.11 * half, static_cast<double>(sum_.size()) - 4 - half);
        for (double d = std::max(3.0, 0.015 * half); d < far; d += std::max(1.0, far / 40))
            mirror.pairs.push_back({static_cast<size_t>(std::lround(half - d)),
                                    static_cast<size_t>(std::lround(2 * half - std::round(half - d)))});
    }
}

void SpectrumMeter::feed(std::span<const float> samples) {
    while (!samples.empty()) {
        const size_t n = std::min(samples.size(), fft_.size() - gathered_.size());
        gathered_.insert(gathered_.end(), samples.begin(), samples.begin() + static_cast<std::ptrdiff_t>(n));
        samples = samples.subspan(n);
        if (gathered_.size() == fft_.size())
            take();
    }
}

void SpectrumMeter::take() {
    bool sounds = false;
    const std::span<float> in = fft_.in();
    for (size_t i = 0; i < in.size(); ++i) {
        in[i] = gathered_[i] * window_[i];
        sounds = sounds || gathered_[i] != 0;
    }
    gathered_.clear();
    if (!sounds)
        return; // digital silence says nothing
    const auto out = fft_.run();
    for (size_t i = 0; i < sum_.size(); ++i) {
        now_[i] = 10 * std::log10(std::norm(out[i]) + lowest);
        sum_[i] += static_cast<double>(now_[i]);
    }
    takeMirrors(now_);
    ++frames_;
}

void SpectrumMeter::takeMirrors(const std::vector<float>& levels) {
    for (Mirror& mirror : mirrors_) {
        // What is louder or softer as a whole says nothing.
        float below = 0, above = 0;
        for (const Mirror::Pair& pair : mirror.pairs) {
            below += levels[pair.below];
            above += levels[pair.above];
        }
        const auto n = static_cast<float>(mirror.pairs.size());
        for (Mirror::Pair& pair : mirror.pairs) {
            const auto x = static_cast<double>(levels[pair.below] - below / n);
            const auto y = static_cast<double>(levels[pair.above] - above / n);
            pair.x += x;
            pair.y += y;
            pair.xx += x * x;
            pair.yy += y * y;
            pair.xy += x * y;
        }
    }
}

std::vector<double> SpectrumMeter::mirrors() const {
    std::vector<double> out;
    const auto n = static_cast<double>(frames_);
    for (const Mirror& mirror : mirrors_) {
        double xx = 0, yy = 0, xy = 0;
        if (frames_ >= leastFrames)
            for (const Mirror::Pair& pair : mirror.pairs) {
                xx += pair.xx - pair.x * pair.x / n;
                yy += pair.yy - pair.y * pair.y / n;
                xy += pair.xy - pair.x * pair.y / n;
            }
        out.push_back(xx > 0 && yy > 0 ? xy / std::sqrt(xx * yy) : 0);
    }
    return out;
}

double SpectrumMeter::lineHertz() const {
    return static_cast<double>(rate_) / static_cast<double>(fft_.size());
}

std::vector<double> SpectrumMeter::levels() const {
    if (frames_ < leastFrames)
        return {};
    std::vector<double> out = sum_;
    for (double& v : out)
        v /= static_cast<double>(frames_);
    return out;
}

std::vector<SpectrumEdge> SpectrumMeter::edges() const {
    const std::vector<double> levels = this->levels();
    if (levels.empty())
        return {};
    const Means mean(levels, lineHertz());
    const double line = lineHertz(), top = rate_ / 2.0;
    // Narrow against narrow finds the places.
    std::vector<std::pair<double, double>> steps; // how much, where
    for (double f = 2000; f + 220 < top; f += line)
        if (const double step = mean(f - 200, f - 40) - mean(f + 40, f + 200); step > leastStep)
            steps.emplace_back(step, f);
    std::ranges::sort(steps, std::greater());
    std::vector<SpectrumEdge> out;
    auto take = [&](size_t most, double from) {
        for (const auto& [step, at] : steps) {
            const double f = at;
            if (out.size() >= most)
                break;
            if (f >= from &&
                std::ranges::none_of(out, [&](const SpectrumEdge& e) { return std::abs(e.hertz - f) < 900; }))
                out.push_back(edgeAt(mean, f, line, top));
        }
    };
    take(mostEdges, 0);
    // The last one above all of these, however small: it is where a coder or a rate ends.
    double highest = 0;
    for (const SpectrumEdge& edge : out)
        highest = std::max(highest, edge.hertz);
    if (!out.empty())
        take(mostEdges + 1, highest + 900);
    return out;
}

} // namespace moorfrost::measure
