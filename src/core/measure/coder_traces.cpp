// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/measure/coder_traces.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <functional>
#include <numbers>

#include "core/measure/fft.h"
#include "core/measure/mp3_filterbank.h"

namespace moorfrost::measure {

namespace {

constexpr size_t bands = 3;
constexpr double bandEdges[bands + 1] = {700, 5000, 11000, 20500}; // Hz
constexpr float rounding = 1.0f / 32768;                           // of 16 bit
constexpr size_t leastLines = 30;                                  // that a band must have

/// Which lines of a spectrum are told by, and in which band each is; -1: it is too soft.
class Lines {
public:
    Lines(const std::vector<float>& power, double lineHertz) {
        for (size_t i = 0; i < power.size(); ++i) {
            const double hertz = (static_cast<double>(i) + 0.5) * lineHertz;
            size_t band = 0;
            while (band < bands && hertz >= bandEdges[band + 1])
                ++band;
            if (hertz < bandEdges[0] || band == bands || power[i] < 2 * rounding * rounding)
                continue;
            lines_[band].push_back(static_cast<uint32_t>(i));
        }
        for (auto& lines : lines_)
            if (lines.size() < leastLines)
                lines.clear();
    }
    bool any(size_t band) const { return !lines_[band].empty(); }
    bool any() const { return any(0) || any(1) || any(2); }
    /// Mean of the logarithm of the power: low where many lines are about 0.
    double fullness(size_t band, std::span<const float> spectrum) const {
        double sum = 0, product = 1;
        size_t n = 0;
        for (const uint32_t line : lines_[band]) {
            const double v = static_cast<double>(spectrum[line]);
            product *= v * v + 0.25 * static_cast<double>(rounding) * static_cast<double>(rounding);
            if (++n % 16 == 0) {
                sum += std::log2(product);
                product = 1;
            }
        }
        return (sum + std::log2(product)) / static_cast<double>(lines_[band].size());
    }

private:
    std::array<std::vector<uint32_t>, bands> lines_;
};

constexpr size_t around = 8; // places on either side that each is compared with

/// How far each place stands out from its neighbours, in standard deviations; without those at the ends.
std::vector<float> standingOut(const std::vector<double>& fullness) {
    const size_t n = fullness.size() - 2 * around;
    std::vector<float> out(n);
    for (size_t i = 0; i < n; ++i) {
        double sum = 0;
        for (size_t k = 3; k <= around; ++k)
            sum += fullness[i + around + k] + fullness[i + around - k];
        out[i] = static_cast<float>(sum / (2 * (around - 2)) - fullness[i + around]);
    }
    std::vector<float> sorted = out;
    const auto middle = sorted.begin() + static_cast<std::ptrdiff_t>(n / 2);
    std::ranges::nth_element(sorted, middle);
    const float median = *middle;
    for (float& v : sorted)
        v = std::abs(v - median);
    std::ranges::nth_element(sorted, middle);
    const float deviation = 1.4826f * *middle + 1e-9f;
    for (float& v : out)
        v = (v - median) / deviation;
    return out;
}

/// A spectrum of a coder: its frames are `hop` apart.
class Bank {
public:
    Bank(std::string coder, size_t hop) : coder(std::move(coder)), hop(hop) {}
    virtual ~Bank() = default;
    /// Prepares for this stretch; then, of a place before `hop`, its frames.
    virtual void begin(std::span<const float> samples) = 0;
    virtual size_t frames() const = 0;
    virtual std::span<const float> spectrum(size_t place, size_t frame) = 0;

    const std::string coder;
    const size_t hop;
};

/// Frames that overlap by half, with this window: AAC (Kaiser-Bessel derived, or a sine), Vorbis.
class CosineBank : public Bank {
public:
    CosineBank(std::string coder, std::vector<float> window)
        : Bank(std::move(coder), window.size() / 2), window_(std::move(window)), transform_(hop) {}
    void begin(std::span<const float> samples) override { samples_ = samples; }
    size_t frames() const override { return (samples_.size() - 2 * hop) / hop; }
    std::span<const float> spectrum(size_t place, size_t frame) override {
        const float* x = samples_.data() + place + frame * hop;
        const size_t h = hop / 2;
        const std::span<float> in = transform_.in();
        for (size_t i = 0; i < h; ++i) {
            in[i] = -window_[3 * h - 1 - i] * x[3 * h - 1 - i] - window_[3 * h + i] * x[3 * h + i];
            in[h + i] = window_[i] * x[i] - window_[hop - 1 - i] * x[hop - 1 - i];
        }
        return transform_.run();
    }

private:
    std::vector<float> window_;
    Dct4 transform_;
    std::span<const float> samples_;
};

class Mp3Bank : public Bank {
public:
    Mp3Bank() : Bank("MP3", mp3Granule) {}
    void begin(std::span<const float> samples) override {
        rows_.clear();
        for (size_t i = 0; i < 32; ++i)
            rows_.push_back(mp3Bands(samples.subspan(i)));
    }
    size_t frames() const override { return (rows_.back().size() - 18 - 36) / 18 + 1; }
    std::span<const float> spectrum(size_t place, size_t frame) override {
        const auto& rows = rows_[place % 32];
        lines_ =
            mp3Lines(std::span<const std::array<float, 32>, 36>(rows.data() + place / 32 + frame * 18, 36));
        return lines_;
    }

private:
    std::vector<std::vector<std::array<float, 32>>> rows_; // for each of the 32 places
    std::array<float, mp3Granule> lines_{};
};

std::vector<float> sineWindow(size_t n) {
    std::vector<float> w(n);
    for (size_t i = 0; i < n; ++i)
        w[i] = static_cast<float>(
            std::sin(std::numbers::pi * (static_cast<double>(i) + 0.5) / static_cast<double>(n)));
    return w;
}

std::vector<float> vorbisWindow(size_t n) {
    std::vector<float> w = sineWindow(n);
    for (float& v : w)
        v = std::sin(static_cast<float>(std::numbers::pi / 2) * v * v);
    return w;
}

std::vector<float> kaiserBesselWindow(size_t n) {
    constexpr double alpha = 4;
    const size_t half = n / 2;
    std::vector<double> sums;
    double sum = 0;
    for (size_t i = 0; i <= half; ++i) {
        const double r = 2.0 * static_cast<double>(i) / static_cast<double>(half) - 1;
        sum += std::cyl_bessel_i(0, std::numbers::pi * alpha * std::sqrt(std::max(0.0, 1 - r * r)));
        sums.push_back(sum);
    }
    std::vector<float> w(n);
    for (size_t i = 0; i < half; ++i)
        w[i] = w[n - 1 - i] = static_cast<float>(std::sqrt(sums[i] / sum));
    return w;
}

/// What was found in one stretch: of each band, for each place (within `hop`, from the start of the sound).
using Standing = std::array<std::vector<float>, bands>;

Standing standingOf(Bank& bank, std::span<const float> samples, uint64_t from, int rate, size_t frames) {
    bank.begin(samples);
    frames = std::min(frames, bank.frames());
    std::vector<float> power(bank.hop);
    constexpr size_t some = 8;
    for (size_t i = 0; i < some; ++i) {
        const std::span<const float> lines = bank.spectrum(i * bank.hop / some, i % frames);
        for (size_t k = 0; k < lines.size(); ++k)
            power[k] += lines[k] * lines[k] / some;
    }
    const Lines lines(power, rate / 2.0 / static_cast<double>(bank.hop));
    Standing out;
    if (!lines.any())
        return out;
    std::array<std::vector<double>, bands> fullness;
    for (auto& one : fullness)
        one.assign(bank.hop + 2 * around, 0);
    for (size_t place = 0; place < bank.hop + 2 * around; ++place)
        for (size_t frame = 0; frame < frames; ++frame) {
            const std::span<const float> spectrum = bank.spectrum(place, frame);
            for (size_t b = 0; b < bands; ++b)
                if (lines.any(b))
                    fullness[b][place] += lines.fullness(b, spectrum);
        }
    for (size_t b = 0; b < bands; ++b) {
        if (!lines.any(b))
            continue;
        const std::vector<float> standing = standingOut(fullness[b]);
        out[b].resize(bank.hop);
        for (size_t place = 0; place < bank.hop; ++place)
            out[b][(place + around + from) % bank.hop] = standing[place];
    }
    return out;
}

} // namespace

namespace {

/// What the stretches that were looked at say together of each place of a bank.
class Places {
public:
    explicit Places(const Bank& bank)
        // Places of Vorbis move by eighths of a frame where short blocks were.
        : sums_(bank.coder == "Vorbis" ? bank.hop / 8 : bank.hop), count_(sums_.size()) {}

    void add(const Standing& standing) {
        const size_t hop = sums_.size();
        std::vector<float> together(hop);
        const size_t all = std::ranges::max_element(standing, {}, &std::vector<float>::size)->size();
        for (size_t place = 0; place < all; ++place) {
            float most = 0, sum = 0;
            int n = 0;
            for (const auto& band : standing)
                if (!band.empty()) {
                    most = std::max(most, band[place]);
                    sum += band[place];
                    ++n;
                }
            most = std::max(most, sum / std::sqrt(static_cast<float>(n)));
            float& to = together[place % hop];
            to = std::max(to, most);
        }
        for (size_t place = 0; place < hop; ++place) {
            // One loud place alone says little: a click does that, too.
            sums_[place] += std::min(together[place], 12.0f);
            count_[place] += together[place] > 5;
        }
        ++looked_;
    }

    /// What chance gives every place is taken off.
    CoderTrace trace(const std::string& coder) const {
        std::vector<float> sorted = sums_;
        const auto middle = sorted.begin() + static_cast<std::ptrdiff_t>(sorted.size() / 2);
        std::ranges::nth_element(sorted, middle);
        const auto at = static_cast<size_t>(std::ranges::max_element(sums_) - sums_.begin());
        const double strength =
            static_cast<double>(sums_[at] - *middle) / std::sqrt(std::max<double>(1, looked_));
        return {coder, strength, count_[at], looked_};
    }

    /// No place stands out in any stretch: what is to come would not make a trace of it.
    bool none() const { return std::ranges::max(count_) == 0; }

private:
    std::vector<float> sums_;
    std::vector<int> count_;
    int looked_ = 0;
};

constexpr size_t few = 3;      // stretches, where no place of them stands out
constexpr size_t enough = 4;   // for those where one does, so clearly
constexpr double certain = 18; // in strength

} // namespace

CoderTrace coderTraceOf(std::span<const SegmentPicker::Segment> segments, int rate) {
    std::vector<std::unique_ptr<Bank>> banks;
    banks.push_back(std::make_unique<Mp3Bank>());
    banks.push_back(std::make_unique<CosineBank>("AAC", kaiserBesselWindow(2048)));
    banks.push_back(std::make_unique<CosineBank>("Vorbis", vorbisWindow(2048)));
    banks.push_back(std::make_unique<CosineBank>("AAC", sineWindow(2048)));
    // Spread first, then those between; some in the middle, some on one side.
    std::vector<size_t> order;
    for (size_t i = 0; i < segments.size(); i += 4)
        for (const size_t one : {i, i + 3})
            if (one < segments.size())
                order.push_back(one);
    for (size_t i = 0; i < segments.size(); ++i)
        if (std::ranges::find(order, i) == order.end())
            order.push_back(i);
    CoderTrace best;
    std::vector<float> samples(SegmentPicker::length);
    for (const auto& bank : banks) {
        Places places(*bank);
        size_t looked = 0;
        for (const size_t i : order) {
            const SegmentPicker::Segment& segment = segments[i];
            for (size_t k = 0; k < samples.size(); ++k) // in the middle, then on one side
                samples[k] = i % 2 == 0 ? (segment.left[k] + segment.right[k]) * 0.70711f : segment.left[k];
            const size_t frames = bank->coder == "MP3" ? 5 : 3;
            places.add(standingOf(*bank, samples, segment.from, rate, frames));
            const bool isRare = bank == banks.back(); // of this one less is looked at
            if (++looked >= (isRare ? few - 1 : few) && places.none())
                break;
            if (looked == enough && (isRare || places.trace({}).strength >= certain))
                break;
        }
        const CoderTrace trace = places.trace(bank->coder);
        if (trace.found() == best.found() ? trace.strength > best.strength : trace.found())
            best = trace;
        if (best.coder == "MP3" && best.strength >= certain)
            break; // the others are much alike, MP3 is not
    }
    return best;
}

} // namespace moorfrost::measure
