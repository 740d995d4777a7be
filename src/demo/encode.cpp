// SPDX-License-Identifier: GPL-3.0-or-later
#include "demo/encode.h"

#include <algorithm>
#include <memory>

#include "demo/synth.h"

extern "C" {
#include <libavcodec/avcodec.h>
#include <libavformat/avformat.h>
#include <libavutil/channel_layout.h>
#include <libavutil/imgutils.h>
#include <libavutil/log.h>
#include <libswresample/swresample.h>
}

namespace moorfrost::demo {

namespace {

struct Kind {
    const char* ending;
    const char* muxer;
    const char* codec;
    AVSampleFormat format;
    int rate;
};

const Kind kinds[] = {
    {".mp3", "mp3", "libmp3lame", AV_SAMPLE_FMT_S16P, 44100},
    {".flac", "flac", "flac", AV_SAMPLE_FMT_S16, 44100},
    {".ogg", "ogg", "libvorbis", AV_SAMPLE_FMT_FLTP, 44100},
    {".opus", "opus", "libopus", AV_SAMPLE_FMT_S16, 48000},
    {".m4a", "ipod", "aac", AV_SAMPLE_FMT_FLTP, 44100},
    {".wav", "wav", "pcm_s16le", AV_SAMPLE_FMT_S16, 44100},
    {".aiff", "aiff", "pcm_s16be", AV_SAMPLE_FMT_S16, 44100},
    {".wv", "wv", "wavpack", AV_SAMPLE_FMT_S16P, 44100},
};

struct Encoder {
    AVFormatContext* format = nullptr;
    AVCodecContext* codec = nullptr;
    SwrContext* resampler = nullptr;
    AVFrame* frame = av_frame_alloc();
    AVPacket* packet = av_packet_alloc();

    ~Encoder() {
        if (format && format->pb)
            avio_closep(&format->pb);
        avformat_free_context(format);
        avcodec_free_context(&codec);
        swr_free(&resampler);
        av_frame_free(&frame);
        av_packet_free(&packet);
    }

    bool drain(AVStream* stream) {
        for (;;) {
            int got = avcodec_receive_packet(codec, packet);
            if (got == AVERROR(EAGAIN) || got == AVERROR_EOF)
                return true;
            if (got < 0)
                return false;
            av_packet_rescale_ts(packet, codec->time_base, stream->time_base);
            packet->stream_index = 0;
            if (av_interleaved_write_frame(format, packet) < 0)
                return false;
        }
    }
};

} // namespace

Status encodeSound(const std::vector<int16_t>& stereo, const Path& path, int bitrate) {
    av_log_set_level(AV_LOG_QUIET);
    const Kind* kind = std::find_if(std::begin(kinds), std::end(kinds),
                                    [&](const Kind& k) { return path.extension() == k.ending; });
    Error cannot{ErrorKind::Unsupported, path, "This sound could not be encoded."};
    if (kind == std::end(kinds))
        return cannot;
    Encoder e;
    const AVCodec* codec = avcodec_find_encoder_by_name(kind->codec);
    if (!codec || avformat_alloc_output_context2(&e.format, nullptr, kind->muxer, path.c_str()) < 0)
        return cannot;
    e.format->flags |= AVFMT_FLAG_BITEXACT;
    e.codec = avcodec_alloc_context3(codec);
    e.codec->flags |= AV_CODEC_FLAG_BITEXACT;
    if (e.format->oformat->flags & AVFMT_GLOBALHEADER)
        e.codec->flags |= AV_CODEC_FLAG_GLOBAL_HEADER;
    e.codec->sample_rate = kind->rate;
    e.codec->sample_fmt = kind->format;
    e.codec->bit_rate = bitrate;
    av_channel_layout_default(&e.codec->ch_layout, 2);
    e.codec->time_base = {1, kind->rate};
    if (avcodec_open2(e.codec, codec, nullptr) < 0)
        return cannot;
    AVStream* stream = avformat_new_stream(e.format, nullptr);
    stream->time_base = e.codec->time_base;
    if (avcodec_parameters_from_context(stream->codecpar, e.codec) < 0 ||
        avio_open(&e.format->pb, ("file:" + path.native()).c_str(), AVIO_FLAG_WRITE) < 0)
        return cannot;
    AVDictionary* options = nullptr;
    if (path.extension() == ".mp3") {
        av_dict_set(&options, "id3v2_version", "0", 0);
        av_dict_set(&options, "write_id3v1", "0", 0);
    }
    int header = avformat_write_header(e.format, &options);
    av_dict_free(&options);
    if (header < 0)
        return cannot;
    AVChannelLayout layout;
    av_channel_layout_default(&layout, 2);
    if (swr_alloc_set_opts2(&e.resampler, &layout, kind->format, kind->rate, &layout, AV_SAMPLE_FMT_S16,
                            sampleRate, 0, nullptr) < 0 ||
        swr_init(e.resampler) < 0)
        return cannot;
    const auto* in = reinterpret_cast<const uint8_t*>(stereo.data());
    swr_convert(e.resampler, nullptr, 0, &in, static_cast<int>(stereo.size() / 2));
    bool variable = (codec->capabilities & AV_CODEC_CAP_VARIABLE_FRAME_SIZE) != 0 || e.codec->frame_size == 0;
    int frameSize = variable ? 4096 : e.codec->frame_size;
    int64_t at = 0;
    for (bool flushed = false;;) {
        int64_t left = swr_get_delay(e.resampler, kind->rate);
        if (left < frameSize && !flushed) {
            swr_convert(e.resampler, nullptr, 0, nullptr, 0);
            flushed = true;
        }
        av_frame_unref(e.frame);
        e.frame->nb_samples = frameSize;
        e.frame->format = kind->format;
        e.frame->sample_rate = kind->rate;
        av_channel_layout_default(&e.frame->ch_layout, 2);
        if (av_frame_get_buffer(e.frame, 0) < 0)
            return cannot;
        int n = swr_convert(e.resampler, e.frame->extended_data, frameSize, nullptr, 0);
        if (n <= 0)
            break;
        e.frame->nb_samples = n;
        e.frame->pts = at;
        at += n;
        if (avcodec_send_frame(e.codec, e.frame) < 0 || !e.drain(stream))
            return cannot;
    }
    avcodec_send_frame(e.codec, nullptr);
    if (!e.drain(stream) || av_write_trailer(e.format) < 0)
        return cannot;
    return Done{};
}

std::string encodePicture(const std::string& rgb, int width, int height, bool jpeg) {
    const AVCodec* codec = avcodec_find_encoder(jpeg ? AV_CODEC_ID_MJPEG : AV_CODEC_ID_PNG);
    Encoder e;
    e.codec = avcodec_alloc_context3(codec);
    e.codec->width = width;
    e.codec->height = height;
    e.codec->time_base = {1, 1};
    e.codec->pix_fmt = jpeg ? AV_PIX_FMT_YUVJ444P : AV_PIX_FMT_RGB24;
    e.codec->color_range = AVCOL_RANGE_JPEG;
    e.codec->flags |= AV_CODEC_FLAG_BITEXACT | AV_CODEC_FLAG_QSCALE;
    e.codec->global_quality = FF_QP2LAMBDA * 3;
    if (avcodec_open2(e.codec, codec, nullptr) < 0)
        return {};
    e.frame->format = e.codec->pix_fmt;
    e.frame->width = width;
    e.frame->height = height;
    e.frame->quality = e.codec->global_quality;
    if (av_frame_get_buffer(e.frame, 0) < 0)
        return {};
    auto clip = [](double v) { return static_cast<uint8_t>(std::clamp(v, 0.0, 255.0)); };
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x) {
            auto at = static_cast<size_t>(3 * (y * width + x));
            auto r = static_cast<uint8_t>(rgb[at]), g = static_cast<uint8_t>(rgb[at + 1]),
                 b = static_cast<uint8_t>(rgb[at + 2]);
            if (jpeg) {
                e.frame->data[0][y * e.frame->linesize[0] + x] = clip(0.299 * r + 0.587 * g + 0.114 * b);
                e.frame->data[1][y * e.frame->linesize[1] + x] =
                    clip(128 - 0.168736 * r - 0.331264 * g + 0.5 * b);
                e.frame->data[2][y * e.frame->linesize[2] + x] =
                    clip(128 + 0.5 * r - 0.418688 * g - 0.081312 * b);
            } else {
                uint8_t* p = e.frame->data[0] + y * e.frame->linesize[0] + 3 * x;
                p[0] = r;
                p[1] = g;
                p[2] = b;
            }
        }
    e.frame->pts = 0;
    if (avcodec_send_frame(e.codec, e.frame) < 0)
        return {};
    avcodec_send_frame(e.codec, nullptr);
    if (avcodec_receive_packet(e.codec, e.packet) < 0)
        return {};
    return std::string(reinterpret_cast<const char*>(e.packet->data), static_cast<size_t>(e.packet->size));
}

} // namespace moorfrost::demo
