// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/audio/ffmpeg_input.h"

#include <utility>

extern "C" {
#include <libavutil/channel_layout.h>
#include <libavutil/log.h>
}

namespace moorfrost::audio {

FfmpegInput::~FfmpegInput() {
    av_packet_free(&packet_);
    av_frame_free(&frame_);
    avcodec_free_context(&codec_);
    avformat_close_input(&format_);
}

Result<std::unique_ptr<FfmpegInput>> FfmpegInput::open(const Path& path) {
    av_log_set_level(AV_LOG_QUIET);
    std::unique_ptr<FfmpegInput> in(new FfmpegInput);
    in->path_ = path;
    const Error cannot{ErrorKind::Unsupported, path, "The sound of this file cannot be decoded."};
    const std::string url = "file:" + path.native();
    if (avformat_open_input(&in->format_, url.c_str(), nullptr, nullptr) < 0 ||
        avformat_find_stream_info(in->format_, nullptr) < 0)
        return cannot;
    const AVCodec* codec = nullptr;
    in->stream_ = av_find_best_stream(in->format_, AVMEDIA_TYPE_AUDIO, -1, -1, &codec, 0);
    if (in->stream_ < 0 || !codec)
        return cannot;
    in->codec_ = avcodec_alloc_context3(codec);
    if (avcodec_parameters_to_context(in->codec_, in->format_->streams[in->stream_]->codecpar) < 0 ||
        avcodec_open2(in->codec_, codec, nullptr) < 0)
        return cannot;
    return in;
}

AVFrame* FfmpegInput::next() {
    av_frame_unref(frame_);
    for (;;) {
        const int got = avcodec_receive_frame(codec_, frame_);
        if (got == 0)
            return frame_;
        if (got == AVERROR_EOF || draining_)
            return nullptr;
        if (av_read_frame(format_, packet_) < 0) {
            draining_ = true;
            avcodec_send_packet(codec_, nullptr);
            continue;
        }
        if (packet_->stream_index == stream_)
            avcodec_send_packet(codec_, packet_);
        av_packet_unref(packet_);
    }
}

int64_t FfmpegInput::place() const {
    const AVStream* in = format_->streams[stream_];
    if (frame_->best_effort_timestamp == AV_NOPTS_VALUE || frame_->sample_rate <= 0)
        return -1;
    const int64_t start = in->start_time == AV_NOPTS_VALUE ? 0 : in->start_time;
    return av_rescale_q(frame_->best_effort_timestamp - start, in->time_base, {1, frame_->sample_rate});
}

std::optional<double> FfmpegInput::placeSeconds() const {
    const AVStream* in = format_->streams[stream_];
    if (frame_->best_effort_timestamp == AV_NOPTS_VALUE || frame_->sample_rate <= 0)
        return std::nullopt;
    const int64_t start = in->start_time == AV_NOPTS_VALUE ? 0 : in->start_time;
    return static_cast<double>(frame_->best_effort_timestamp - start) * av_q2d(in->time_base);
}

bool FfmpegInput::seek(double seconds) {
    const auto at = static_cast<int64_t>(seconds * AV_TIME_BASE);
    // In a short Ogg file FFmpeg lands on the last page and gives nothing: there we begin anew.
    const bool isShort = format_->duration < int64_t{20} * AV_TIME_BASE;
    if (isShort || av_seek_frame(format_, -1, at, AVSEEK_FLAG_BACKWARD) < 0) {
        auto fresh = open(path_);
        if (!fresh)
            return false;
        std::swap(format_, (*fresh)->format_);
        std::swap(codec_, (*fresh)->codec_);
        stream_ = (*fresh)->stream_;
    }
    avcodec_flush_buffers(codec_);
    draining_ = false;
    return true;
}

double FfmpegInput::seconds() const {
    const int64_t length = format_->duration;
    return length > 0 ? static_cast<double>(length) / AV_TIME_BASE : 0;
}

AVChannelLayout FfmpegInput::layout() const {
    AVChannelLayout out = codec_->ch_layout;
    if (out.order == AV_CHANNEL_ORDER_UNSPEC)
        av_channel_layout_default(&out, codec_->ch_layout.nb_channels);
    return out;
}

} // namespace moorfrost::audio
