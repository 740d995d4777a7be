// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/audio/decoder.h"

#include <algorithm>
#include <cmath>
#include <utility>

extern "C" {
#include <libavcodec/avcodec.h>
#include <libavformat/avformat.h>
#include <libavutil/channel_layout.h>
#include <libavutil/log.h>
#include <libswresample/swresample.h>
}

namespace moorfrost::audio {

struct Decoder::State {
    AVFormatContext* format = nullptr;
    AVCodecContext* codec = nullptr;
    SwrContext* resampler = nullptr;
    AVPacket* packet = av_packet_alloc();
    AVFrame* frame = av_frame_alloc();
    Path path;
    int stream = -1;
    int rate = 44100;
    int channels = 2;
    bool draining = false, ended = false;
    int64_t position = -1; // of what came last, in frames of the file
    double skipUntil = 0;  // seconds: a seek lands before the place, what lies between is dropped

    ~State() {
        av_packet_free(&packet);
        av_frame_free(&frame);
        swr_free(&resampler);
        avcodec_free_context(&codec);
        avformat_close_input(&format);
    }

    bool openResampler() {
        AVChannelLayout out;
        av_channel_layout_default(&out, channels);
        AVChannelLayout in = codec->ch_layout;
        if (in.order == AV_CHANNEL_ORDER_UNSPEC)
            av_channel_layout_default(&in, codec->ch_layout.nb_channels);
        return swr_alloc_set_opts2(&resampler, &out, AV_SAMPLE_FMT_S16, rate, &in, codec->sample_fmt,
                                   codec->sample_rate, 0, nullptr) >= 0 &&
               swr_init(resampler) >= 0;
    }

    bool endsBefore(double seconds) const {
        const AVStream* in = format->streams[stream];
        if (seconds <= 0 || frame->best_effort_timestamp == AV_NOPTS_VALUE || frame->sample_rate <= 0)
            return false;
        int64_t start = in->start_time == AV_NOPTS_VALUE ? 0 : in->start_time;
        double at = static_cast<double>(frame->best_effort_timestamp - start) * av_q2d(in->time_base);
        return at + static_cast<double>(frame->nb_samples) / frame->sample_rate <= seconds;
    }

    int64_t placeOfFrame() const {
        const AVStream* in = format->streams[stream];
        if (frame->best_effort_timestamp == AV_NOPTS_VALUE || frame->sample_rate <= 0)
            return -1;
        const int64_t start = in->start_time == AV_NOPTS_VALUE ? 0 : in->start_time;
        return av_rescale_q(frame->best_effort_timestamp - start, in->time_base, {1, frame->sample_rate});
    }

    /// How many samples of the frame lie before that place.
    int samplesBefore(double seconds) const {
        const AVStream* in = format->streams[stream];
        if (seconds <= 0 || frame->best_effort_timestamp == AV_NOPTS_VALUE || frame->sample_rate <= 0)
            return 0;
        const int64_t start = in->start_time == AV_NOPTS_VALUE ? 0 : in->start_time;
        const double at = static_cast<double>(frame->best_effort_timestamp - start) * av_q2d(in->time_base);
        return std::clamp(static_cast<int>(std::lround((seconds - at) * frame->sample_rate)), 0,
                          std::max(0, frame->nb_samples - 1));
    }

    /// What the resampler still holds at the end.
    std::vector<int16_t> rest() {
        const int most = swr_get_out_samples(resampler, 0);
        std::vector<int16_t> out(static_cast<size_t>(std::max(0, most) * channels));
        auto* data = reinterpret_cast<uint8_t*>(out.data());
        const int n = most > 0 ? swr_convert(resampler, &data, most, nullptr, 0) : 0;
        out.resize(static_cast<size_t>(std::max(0, n) * channels));
        return out;
    }

    std::vector<int16_t> convert() {
        int most = swr_get_out_samples(resampler, frame->nb_samples);
        std::vector<int16_t> out(static_cast<size_t>(std::max(0, most) * channels));
        auto* data = reinterpret_cast<uint8_t*>(out.data());
        int n = swr_convert(resampler, &data, most, const_cast<const uint8_t**>(frame->extended_data),
                            frame->nb_samples);
        out.resize(static_cast<size_t>(std::max(0, n) * channels));
        return out;
    }
};

Decoder::Decoder(std::unique_ptr<State> state) : state_(std::move(state)) {}
Decoder::~Decoder() = default;

Result<std::unique_ptr<Decoder>> Decoder::open(const Path& path, int sampleRate, int channels) {
    av_log_set_level(AV_LOG_QUIET);
    auto s = std::make_unique<State>();
    s->path = path;
    s->rate = sampleRate;
    s->channels = channels;
    Error cannot{ErrorKind::Unsupported, path, "The sound of this file cannot be decoded."};
    std::string url = "file:" + path.native();
    if (avformat_open_input(&s->format, url.c_str(), nullptr, nullptr) < 0 ||
        avformat_find_stream_info(s->format, nullptr) < 0)
        return cannot;
    const AVCodec* codec = nullptr;
    s->stream = av_find_best_stream(s->format, AVMEDIA_TYPE_AUDIO, -1, -1, &codec, 0);
    if (s->stream < 0 || !codec)
        return cannot;
    s->codec = avcodec_alloc_context3(codec);
    if (avcodec_parameters_to_context(s->codec, s->format->streams[s->stream]->codecpar) < 0 ||
        avcodec_open2(s->codec, codec, nullptr) < 0 || !s->openResampler())
        return cannot;
    return std::unique_ptr<Decoder>(new Decoder(std::move(s)));
}

std::vector<int16_t> Decoder::next() {
    State& s = *state_;
    for (;;) {
        int got = avcodec_receive_frame(s.codec, s.frame);
        if (got == 0) {
            if (s.endsBefore(s.skipUntil)) {
                av_frame_unref(s.frame);
                continue;
            }
            const int before = s.samplesBefore(s.skipUntil);
            s.position = s.placeOfFrame();
            if (s.position >= 0)
                s.position += before;
            std::vector<int16_t> samples = s.convert();
            // In this rate; the resampler's own delay is far below what is heard.
            const auto dropped = static_cast<size_t>(int64_t{before} * s.rate / s.frame->sample_rate) *
                                 static_cast<size_t>(s.channels);
            samples.erase(samples.begin(),
                          samples.begin() + static_cast<std::ptrdiff_t>(std::min(dropped, samples.size())));
            s.skipUntil = 0;
            av_frame_unref(s.frame);
            if (!samples.empty())
                return samples;
            continue;
        }
        if (got == AVERROR_EOF || s.draining)
            return std::exchange(s.ended, true) ? std::vector<int16_t>() : s.rest();
        int read = av_read_frame(s.format, s.packet);
        if (read < 0) {
            s.draining = true;
            avcodec_send_packet(s.codec, nullptr);
            continue;
        }
        if (s.packet->stream_index == s.stream)
            avcodec_send_packet(s.codec, s.packet);
        av_packet_unref(s.packet);
    }
}

int64_t Decoder::position() const {
    return state_->position;
}

double Decoder::seconds() const {
    const int64_t length = state_->format->duration;
    return length > 0 ? static_cast<double>(length) / AV_TIME_BASE : 0;
}

void Decoder::seek(double seconds) {
    auto at = static_cast<int64_t>(seconds * AV_TIME_BASE);
    // In a short Ogg file FFmpeg lands on the last page and gives nothing: there we begin anew and drop what
    // lies before.
    bool isShort = state_->format->duration < int64_t{20} * AV_TIME_BASE;
    if (isShort || av_seek_frame(state_->format, -1, at, AVSEEK_FLAG_BACKWARD) < 0) {
        auto fresh = open(state_->path, state_->rate, state_->channels);
        if (!fresh)
            return;
        state_ = std::move((*fresh)->state_);
    }
    avcodec_flush_buffers(state_->codec);
    state_->draining = state_->ended = false;
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
