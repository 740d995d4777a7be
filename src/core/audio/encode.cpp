// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/audio/encode.h"

#include <algorithm>

extern "C" {
#include <libavcodec/avcodec.h>
#include <libavformat/avformat.h>
#include <libavutil/channel_layout.h>
#include <libavutil/log.h>
#include <libswresample/swresample.h>
}

namespace moorfrost::audio {

namespace {

constexpr int inputRate = 44100;

struct Kind {
    const char* name;
    const char* muxer;
    const char* codec;
    AVSampleFormat format;
    int rate;
};

constexpr Kind kinds[] = {
    {"flac", "flac", "flac", AV_SAMPLE_FMT_S16, 44100},
    {"alac", "ipod", "alac", AV_SAMPLE_FMT_S16P, 44100},
    {"wavpack", "wv", "wavpack", AV_SAMPLE_FMT_S16P, 44100},
    {"wav", "wav", "pcm_s16le", AV_SAMPLE_FMT_S16, 44100},
    {"aiff", "aiff", "pcm_s16be", AV_SAMPLE_FMT_S16, 44100},
    {"mp3", "mp3", "libmp3lame", AV_SAMPLE_FMT_S16P, 44100},
    {"vorbis", "ogg", "libvorbis", AV_SAMPLE_FMT_FLTP, 44100},
    {"opus", "opus", "libopus", AV_SAMPLE_FMT_S16, 48000},
    {"aac", "ipod", "aac", AV_SAMPLE_FMT_FLTP, 44100},
};

} // namespace

const std::vector<EncodeFormat>& encodeFormats() {
    static const std::vector<EncodeFormat> all = {
        {"flac", "FLAC", ".flac", true, {}, 0},
        {"alac", "ALAC", ".m4a", true, {}, 0},
        {"wavpack", "WavPack", ".wv", true, {}, 0},
        {"wav", "WAV", ".wav", true, {}, 0},
        {"aiff", "AIFF", ".aiff", true, {}, 0},
        {"mp3", "MP3", ".mp3", false, {128000, 192000, 256000, 320000}, 256000},
        {"vorbis", "Ogg Vorbis", ".ogg", false, {112000, 160000, 192000, 256000}, 192000},
        {"opus", "Opus", ".opus", false, {96000, 128000, 160000, 192000}, 160000}};
    return all;
}

const EncodeFormat* encodeFormat(const std::string& name) {
    const auto it = std::ranges::find(encodeFormats(), name, &EncodeFormat::name);
    return it == encodeFormats().end() ? nullptr : &*it;
}

struct SoundEncoder::State {
    Path path;
    const Kind* kind = nullptr;
    AVFormatContext* format = nullptr;
    AVCodecContext* codec = nullptr;
    AVStream* stream = nullptr;
    SwrContext* resampler = nullptr;
    AVFrame* frame = av_frame_alloc();
    AVPacket* packet = av_packet_alloc();
    int frameSize = 4096;
    int64_t at = 0; // frames that went to the codec

    ~State() {
        if (format && format->pb)
            avio_closep(&format->pb);
        avformat_free_context(format);
        avcodec_free_context(&codec);
        swr_free(&resampler);
        av_frame_free(&frame);
        av_packet_free(&packet);
    }

    /// The disk may be full: what FFmpeg's writing said.
    Error failed(int code) const {
        if (format && format->pb && format->pb->error < 0)
            code = format->pb->error;
        return code == AVERROR(ENOSPC)
                   ? Error{ErrorKind::NoSpace, path, "The disk is full."}
                   : Error{ErrorKind::Io, path, "The sound could not be encoded or written."};
    }

    Status drain() {
        for (;;) {
            const int got = avcodec_receive_packet(codec, packet);
            if (got == AVERROR(EAGAIN) || got == AVERROR_EOF)
                return Done{};
            if (got < 0)
                return failed(got);
            av_packet_rescale_ts(packet, codec->time_base, stream->time_base);
            packet->stream_index = 0;
            if (const int written = av_interleaved_write_frame(format, packet); written < 0)
                return failed(written);
            if (format->pb && format->pb->error < 0)
                return failed(format->pb->error);
        }
    }

    /// Whole frames of what waits in the resampler; at the end the rest, too.
    Status encode(bool all) {
        while (swr_get_delay(resampler, kind->rate) >= frameSize || all) {
            av_frame_unref(frame);
            frame->nb_samples = frameSize;
            frame->format = kind->format;
            frame->sample_rate = kind->rate;
            av_channel_layout_default(&frame->ch_layout, 2);
            if (const int got = av_frame_get_buffer(frame, 0); got < 0)
                return failed(got);
            const int n = swr_convert(resampler, frame->extended_data, frameSize, nullptr, 0);
            if (n <= 0)
                return Done{};
            frame->nb_samples = n;
            frame->pts = at;
            at += n;
            if (const int sent = avcodec_send_frame(codec, frame); sent < 0)
                return failed(sent);
            if (Status drained = drain(); !drained)
                return drained;
        }
        return Done{};
    }
};

SoundEncoder::SoundEncoder(std::unique_ptr<State> state) : state_(std::move(state)) {}
SoundEncoder::~SoundEncoder() = default;

Result<std::unique_ptr<SoundEncoder>> SoundEncoder::open(const Path& path, const std::string& format,
                                                         int bitrate) {
    av_log_set_level(AV_LOG_QUIET);
    auto s = std::make_unique<State>();
    s->path = path;
    s->kind = std::ranges::find(kinds, format, &Kind::name);
    const Error cannot{ErrorKind::Unsupported, path, "This sound could not be encoded."};
    if (s->kind == std::end(kinds))
        return cannot;
    const AVCodec* codec = avcodec_find_encoder_by_name(s->kind->codec);
    if (!codec || avformat_alloc_output_context2(&s->format, nullptr, s->kind->muxer, path.c_str()) < 0)
        return cannot;
    s->format->flags |= AVFMT_FLAG_BITEXACT;
    s->codec = avcodec_alloc_context3(codec);
    s->codec->flags |= AV_CODEC_FLAG_BITEXACT;
    if (s->format->oformat->flags & AVFMT_GLOBALHEADER)
        s->codec->flags |= AV_CODEC_FLAG_GLOBAL_HEADER;
    s->codec->sample_rate = s->kind->rate;
    s->codec->sample_fmt = s->kind->format;
    s->codec->bit_rate = bitrate;
    av_channel_layout_default(&s->codec->ch_layout, 2);
    s->codec->time_base = {1, s->kind->rate};
    if (avcodec_open2(s->codec, codec, nullptr) < 0)
        return cannot;
    s->stream = avformat_new_stream(s->format, nullptr);
    s->stream->time_base = s->codec->time_base;
    if (avcodec_parameters_from_context(s->stream->codecpar, s->codec) < 0)
        return cannot;
    if (const int opened = avio_open(&s->format->pb, ("file:" + path.native()).c_str(), AVIO_FLAG_WRITE);
        opened < 0)
        return systemError(AVUNERROR(opened), path, "Making the file");
    AVDictionary* options = nullptr;
    if (format == "mp3") {
        av_dict_set(&options, "id3v2_version", "0", 0);
        av_dict_set(&options, "write_id3v1", "0", 0);
    }
    const int header = avformat_write_header(s->format, &options);
    av_dict_free(&options);
    if (header < 0)
        return s->failed(header);
    AVChannelLayout layout;
    av_channel_layout_default(&layout, 2);
    if (swr_alloc_set_opts2(&s->resampler, &layout, s->kind->format, s->kind->rate, &layout,
                            AV_SAMPLE_FMT_S16, inputRate, 0, nullptr) < 0 ||
        swr_init(s->resampler) < 0)
        return cannot;
    const bool variable =
        (codec->capabilities & AV_CODEC_CAP_VARIABLE_FRAME_SIZE) != 0 || s->codec->frame_size == 0;
    s->frameSize = variable ? 4096 : s->codec->frame_size;
    return std::unique_ptr<SoundEncoder>(new SoundEncoder(std::move(s)));
}

Status SoundEncoder::add(std::span<const int16_t> samples) {
    const auto* in = reinterpret_cast<const uint8_t*>(samples.data());
    if (swr_convert(state_->resampler, nullptr, 0, &in, static_cast<int>(samples.size() / 2)) < 0)
        return state_->failed(AVERROR(ENOMEM));
    return state_->encode(false);
}

Status SoundEncoder::finish() {
    swr_convert(state_->resampler, nullptr, 0, nullptr, 0);
    if (Status rest = state_->encode(true); !rest)
        return rest;
    avcodec_send_frame(state_->codec, nullptr);
    if (Status drained = state_->drain(); !drained)
        return drained;
    if (const int ended = av_write_trailer(state_->format); ended < 0)
        return state_->failed(ended);
    if (const int closed = avio_closep(&state_->format->pb); closed < 0)
        return state_->failed(closed);
    return Done{};
}

} // namespace moorfrost::audio
