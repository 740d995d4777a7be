// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/audio/decoder.h"

#include <algorithm>
#include <cmath>
#include <utility>

#include "core/audio/ffmpeg_input.h"

extern "C" {
#include <libavutil/channel_layout.h>
#include <libswresample/swresample.h>
}

namespace moorfrost::audio {

struct Decoder::State {
    std::unique_ptr<FfmpegInput> input;
    SwrContext* resampler = nullptr;
    int rate = 44100;
    int channels = 2;
    bool ended = false;
    int64_t position = -1; // of what came last, in frames of the file
    double skipUntil = 0;  // seconds: a seek lands before the place, what lies between is dropped

    ~State() { swr_free(&resampler); }

    bool openResampler() {
        AVChannelLayout out;
        av_channel_layout_default(&out, channels);
        AVChannelLayout in = input->layout();
        swr_free(&resampler);
        return swr_alloc_set_opts2(&resampler, &out, AV_SAMPLE_FMT_S16, rate, &in, input->codec().sample_fmt,
                                   input->codec().sample_rate, 0, nullptr) >= 0 &&
               swr_init(resampler) >= 0;
    }

    bool endsBefore(const AVFrame& frame, double seconds) const {
        const std::optional<double> at = input->placeSeconds();
        return seconds > 0 && at &&
               *at + static_cast<double>(frame.nb_samples) / frame.sample_rate <= seconds;
    }

    /// How many samples of the frame lie before that place.
    int samplesBefore(const AVFrame& frame, double seconds) const {
        const std::optional<double> at = input->placeSeconds();
        if (seconds <= 0 || !at)
            return 0;
        return std::clamp(static_cast<int>(std::lround((seconds - *at) * frame.sample_rate)), 0,
                          std::max(0, frame.nb_samples - 1));
    }

    std::vector<int16_t> converted(int most, const uint8_t** from, int samples) {
        std::vector<int16_t> out(static_cast<size_t>(std::max(0, most) * channels));
        auto* data = reinterpret_cast<uint8_t*>(out.data());
        const int n = most > 0 ? swr_convert(resampler, &data, most, from, samples) : 0;
        out.resize(static_cast<size_t>(std::max(0, n) * channels));
        return out;
    }
};

Decoder::Decoder(std::unique_ptr<State> state) : state_(std::move(state)) {}
Decoder::~Decoder() = default;

Result<std::unique_ptr<Decoder>> Decoder::open(const Path& path, int sampleRate, int channels) {
    auto input = FfmpegInput::open(path);
    if (!input)
        return input.error();
    auto s = std::make_unique<State>();
    s->input = std::move(*input);
    s->rate = sampleRate;
    s->channels = channels;
    if (!s->openResampler())
        return Error{ErrorKind::Unsupported, path, "The sound of this file cannot be decoded."};
    return std::unique_ptr<Decoder>(new Decoder(std::move(s)));
}

std::vector<int16_t> Decoder::next() {
    State& s = *state_;
    while (AVFrame* frame = s.input->next()) {
        if (s.endsBefore(*frame, s.skipUntil))
            continue;
        const int before = s.samplesBefore(*frame, s.skipUntil);
        s.position = s.input->place();
        if (s.position >= 0)
            s.position += before;
        std::vector<int16_t> samples =
            s.converted(swr_get_out_samples(s.resampler, frame->nb_samples),
                        const_cast<const uint8_t**>(frame->extended_data), frame->nb_samples);
        // In this rate; the resampler's own delay is far below what is heard.
        const auto dropped = static_cast<size_t>(int64_t{before} * s.rate / std::max(1, frame->sample_rate)) *
                             static_cast<size_t>(s.channels);
        samples.erase(samples.begin(),
                      samples.begin() + static_cast<std::ptrdiff_t>(std::min(dropped, samples.size())));
        s.skipUntil = 0;
        if (!samples.empty())
            return samples;
    }
    // What the resampler still holds.
    return std::exchange(s.ended, true) ? std::vector<int16_t>()
                                        : s.converted(swr_get_out_samples(s.resampler, 0), nullptr, 0);
}

int64_t Decoder::position() const {
    return state_->position;
}

double Decoder::seconds() const {
    return state_->input->seconds();
}

void Decoder::seek(double seconds) {
    if (!state_->input->seek(seconds) || !state_->openResampler())
        return;
    state_->ended = false;
    state_->skipUntil = seconds;
}

Result<std::vector<int16_t>> samplesOf(const Path& path, uint64_t first, size_t frames) {
    constexpr int rate = 44100, channels = 2;
    const Error nowhere{ErrorKind::Damaged, path, "A place in this file cannot be found exactly."};
    auto opened = Decoder::open(path, rate, channels);
    if (!opened)
        return opened.error();
    std::unique_ptr<Decoder> decoder = std::move(*opened);
    const double ahead = static_cast<double>(first) / rate - 0.5;
    if (ahead > 1)
        decoder->seek(ahead);
    std::vector<int16_t> out;
    out.reserve(frames * channels);
    bool anew = ahead <= 1;
    auto wanted = static_cast<int64_t>(first);
    for (std::vector<int16_t> some = decoder->next(); !some.empty() && out.size() < frames * channels;
         some = decoder->next()) {
        const int64_t at = decoder->position();
        const auto n = static_cast<int64_t>(some.size()) / channels;
        if (at < 0)
            return nowhere;
        if (at > wanted) {
            if (anew || !out.empty())
                return nowhere;
            auto again = Decoder::open(path, rate, channels); // it landed behind the place
            if (!again)
                return again.error();
            decoder = std::move(*again);
            anew = true;
            continue;
        }
        if (at + n <= wanted)
            continue;
        const auto from = static_cast<size_t>(wanted - at) * channels;
        const size_t most = std::min(some.size() - from, frames * channels - out.size());
        out.insert(out.end(), some.begin() + static_cast<std::ptrdiff_t>(from),
                   some.begin() + static_cast<std::ptrdiff_t>(from + most));
        wanted += static_cast<int64_t>(most) / channels;
    }
    return out;
}

namespace {

/// `fine` as `count` values; it is so many of `whole`.
std::vector<float> shapeOf(const std::vector<float>& fine, size_t whole, size_t count) {
    std::vector<float> out(count, 0.0f);
    for (size_t i = 0; i < count; ++i) {
        const size_t from = i * whole / count, to = std::max(from + 1, (i + 1) * whole / count);
        for (size_t k = from; k < to && k < fine.size(); ++k)
            out[i] = std::max(out[i], fine[k]);
    }
    return out;
}

} // namespace

Result<std::vector<float>> peaksOf(const Path& path, size_t count, std::stop_token stop,
                                   const PeaksTold& going) {
    constexpr int rate = 8000;
    auto decoder = Decoder::open(path, rate, 1);
    if (!decoder)
        return decoder.error();
    constexpr size_t block = 200; // samples: fine enough for any length that is drawn
    std::vector<float> fine;
    int loudest = 0;
    size_t inBlock = 0;
    uint64_t heard = 0, told = 0; // samples
    for (std::vector<int16_t> samples = (*decoder)->next(); !samples.empty(); samples = (*decoder)->next()) {
        if (stop.stop_requested())
            return Error{ErrorKind::Cancelled, path, "Stopped."};
        heard += samples.size();
        if (going && heard - told >= 10 * rate) {
            const auto whole = static_cast<size_t>((*decoder)->seconds() * rate / block);
            going(static_cast<double>(heard) / rate, shapeOf(fine, std::max(whole, fine.size()), count));
            told = heard;
        }
        for (int16_t v : samples) {
            loudest = std::max(loudest, std::abs(static_cast<int>(v)));
            if (++inBlock == block) {
                fine.push_back(static_cast<float>(loudest) / 32768.0f);
                loudest = 0;
                inBlock = 0;
            }
        }
    }
    if (fine.empty())
        return Error{ErrorKind::Damaged, path, "No sound could be decoded from this file."};
    return shapeOf(fine, fine.size(), count);
}

} // namespace moorfrost::audio
