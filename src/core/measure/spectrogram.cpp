// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/measure/spectrogram.h"

#include <algorithm>
#include <bit>
#include <cmath>

#include "core/audio/sample_reader.h"
#include "core/measure/fft.h"

namespace moorfrost::measure {

namespace {

constexpr int columnsAtOnce = 32;   // told in one go
constexpr double momentsFrom = 1.0; // seconds a column: more is not read through
constexpr int framesInColumn = 3;   // transforms whose mean a column shows

/// Of two channels at most, from a place on.
class Stretch {
public:
    explicit Stretch(audio::SampleReader& reader) : reader_(reader) {}
    void seek(double seconds) {
        reader_.seek(seconds);
        from_ = static_cast<int64_t>(std::llround(seconds * reader_.rate()));
        left_.clear();
        right_.clear();
    }
    /// False where the sound ends before.
    bool fillTo(int64_t place) {
        while (from_ + static_cast<int64_t>(left_.size()) < place) {
            if (!reader_.next(block_))
                return false;
            const std::vector<float>& left = block_.channels.front();
            const std::vector<float>& right = block_.channels[block_.channels.size() > 1 ? 1 : 0];
            left_.insert(left_.end(), left.begin(), left.end());
            right_.insert(right_.end(), right.begin(), right.end());
        }
        return true;
    }
    void dropBefore(int64_t place) {
        const auto n = static_cast<std::ptrdiff_t>(
            std::clamp<int64_t>(place - from_, 0, static_cast<int64_t>(left_.size())));
        if (n < (1 << 16) && n < static_cast<std::ptrdiff_t>(left_.size()))
            return; // not worth moving
        left_.erase(left_.begin(), left_.begin() + n);
        right_.erase(right_.begin(), right_.begin() + n);
        from_ += n;
    }
    /// 0 outside.
    float left(int64_t place) const { return at(left_, place); }
    float right(int64_t place) const { return at(right_, place); }
    int64_t end() const { return from_ + static_cast<int64_t>(left_.size()); }

private:
    float at(const std::vector<float>& samples, int64_t place) const {
        const int64_t i = place - from_;
        return i >= 0 && i < static_cast<int64_t>(samples.size()) ? samples[static_cast<size_t>(i)] : 0.0f;
    }

    audio::SampleReader& reader_;
    audio::SampleReader::Block block_;
    int64_t from_ = 0;
    std::vector<float> left_, right_;
};

class Drawing {
public:
    Drawing(const SpectrogramFrame& frame, size_t size) : frame_(frame), fft_(size), power_(size / 2 + 1) {
        double sum = 0;
        for (size_t i = 0; i < size; ++i) {
            window_.push_back(hann(i, size));
            sum += static_cast<double>(window_.back());
        }
        for (float& w : window_)
            w *= static_cast<float>(2 / sum);
    }
    size_t size() const { return window_.size(); }
    void clear() { std::ranges::fill(power_, 0.0f); }
    void add(const Stretch& stretch, int64_t from) {
        for (int channel = 0; channel < 2; ++channel) {
            const std::span<float> in = fft_.in();
            for (size_t i = 0; i < in.size(); ++i) {
                const int64_t place = from + static_cast<int64_t>(i);
                in[i] = window_[i] * (channel == 0 ? stretch.left(place) : stretch.right(place));
            }
            const auto out = fft_.run();
            for (size_t k = 0; k < power_.size(); ++k)
                power_[k] += std::norm(out[k]) / 2;
        }
    }
    void levels(int frames, std::vector<uint8_t>& out) const {
        const double line = static_cast<double>(frame_.rate) / static_cast<double>(size());
        const double rowHertz = (frame_.highest - frame_.lowest) / frame_.rows;
        for (int row = 0; row < frame_.rows; ++row) {
            // The loudest line of those that a row has room for, so that a tone does not get lost.
            const double from = (frame_.lowest + row * rowHertz) / line;
            const double to = from + rowHertz / line;
            auto first = static_cast<size_t>(std::clamp(from, 0.0, static_cast<double>(power_.size() - 1)));
            const auto last = static_cast<size_t>(
                std::clamp(to - 1e-9, static_cast<double>(first), static_cast<double>(power_.size() - 1)));
            float most = 0;
            for (; first <= last; ++first)
                most = std::max(most, power_[first]);
            const double db = 10 * std::log10(static_cast<double>(most) / frames + 1e-13);
            out.push_back(static_cast<uint8_t>(std::clamp(std::lround((db + 120) * 255 / 120), 0l, 255l)));
        }
    }

private:
    const SpectrogramFrame& frame_;
    RealFft fft_;
    std::vector<float> window_, power_;
};

size_t sizeFor(int rate, double columnSeconds) {
    const double wanted = std::clamp(columnSeconds * 2, 0.011, 0.093) * rate;
    return std::clamp<size_t>(std::bit_ceil(static_cast<size_t>(wanted)), 256, 1 << 15);
}

} // namespace

Status drawSpectrogram(const Path& path, const SpectrogramRequest& request, const SpectrogramBegun& begun,
                       const SpectrogramDrawn& drawn) {
    auto opened = audio::SampleReader::open(path);
    if (!opened)
        return opened.error();
    audio::SampleReader& reader = **opened;
    SpectrogramFrame frame;
    frame.rate = reader.rate();
    frame.seconds = reader.seconds();
    frame.columns = std::clamp(request.columns, 1, SpectrogramRequest::mostColumns);
    frame.rows = std::clamp(request.rows, 1, SpectrogramRequest::mostRows);
    frame.from = std::max(0.0, request.from);
    frame.to = request.to > frame.from ? request.to : std::max(frame.seconds, frame.from + 0.001);
    frame.lowest = std::clamp(request.lowest, 0.0, frame.rate / 2.0 - 1);
    frame.highest =
        request.highest > frame.lowest ? std::min(request.highest, frame.rate / 2.0) : frame.rate / 2.0;
    begun(frame);

    const double columnSeconds = (frame.to - frame.from) / frame.columns;
    Drawing drawing(frame, sizeFor(frame.rate, columnSeconds));
    const auto half = static_cast<int64_t>(drawing.size() / 2);
    const bool moments = columnSeconds > momentsFrom;
    auto placeOf = [&](double seconds) { return static_cast<int64_t>(std::llround(seconds * frame.rate)); };
    Stretch stretch(reader);
    stretch.seek(std::max(0.0, frame.from - static_cast<double>(half) / frame.rate));
    SpectrogramPart part;
    for (int column = 0; column < frame.columns; ++column) {
        const double from = frame.from + column * columnSeconds;
        int64_t first = placeOf(from), last = std::max(first + 1, placeOf(from + columnSeconds));
        if (moments) {
            first = (first + last) / 2 - half;
            last = first + 2 * half;
            stretch.seek(std::max(0.0, static_cast<double>(first) / frame.rate));
        }
        stretch.fillTo(last + half);
        if (stretch.end() <= first)
            break; // the sound ends
        drawing.clear();
        const int frames = moments || last - first < half ? 1 : framesInColumn;
        for (int i = 0; i < frames; ++i)
            drawing.add(stretch, first + (last - first) * (2 * i + 1) / (2 * frames) - half);
        drawing.levels(frames, part.levels);
        std::array<float, 2> wave{1, -1};
        for (int64_t i = first; i < std::min(last, stretch.end()); ++i) {
            const float l = stretch.left(i), r = stretch.right(i);
            wave = {std::min({wave[0], l, r}), std::max({wave[1], l, r})};
        }
        part.wave.push_back(wave);
        stretch.dropBefore(last - half - 1);
        if (static_cast<int>(part.wave.size()) == columnsAtOnce) {
            const int next = column + 1;
            drawn(std::move(part));
            part = {};
            part.first = next;
        }
    }
    if (!part.wave.empty())
        drawn(std::move(part));
    return Done{};
}

std::array<uint8_t, 3> colourOf(uint8_t level) {
    struct Stop {
        double at;
        std::array<double, 3> colour;
    };
    static constexpr std::array<Stop, 6> stops = {{{0.00, {17, 22, 40}},
                                                   {0.28, {27, 43, 84}},
                                                   {0.50, {52, 92, 140}},
                                                   {0.66, {126, 128, 150}},
                                                   {0.82, {232, 160, 98}},
                                                   {1.00, {255, 244, 222}}}};
    const double x = level / 255.0;
    size_t i = 1;
    while (i + 1 < stops.size() && x > stops[i].at)
        ++i;
    const double t = (x - stops[i - 1].at) / (stops[i].at - stops[i - 1].at);
    std::array<uint8_t, 3> out{};
    for (size_t c = 0; c < 3; ++c)
        out[c] = static_cast<uint8_t>(std::lround(stops[i - 1].colour[c] * (1 - t) + stops[i].colour[c] * t));
    return out;
}

} // namespace moorfrost::measure
