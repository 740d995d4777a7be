// SPDX-License-Identifier: GPL-3.0-or-later
#include "demo/encode.h"

#include <algorithm>

#include "core/audio/encode.h"

extern "C" {
#include <libavcodec/avcodec.h>
#include <libavutil/imgutils.h>
}

namespace moorfrost::demo {

namespace {

struct Encoder {
    AVCodecContext* codec = nullptr;
    AVFrame* frame = av_frame_alloc();
    AVPacket* packet = av_packet_alloc();

    ~Encoder() {
        avcodec_free_context(&codec);
        av_frame_free(&frame);
        av_packet_free(&packet);
    }
};

} // namespace

Status encodeSound(const std::vector<int16_t>& stereo, const Path& path, int bitrate) {
    const std::string ending = path.extension().native();
    std::string format = ending == ".m4a" ? "aac" : std::string(); // not ALAC, which has this ending, too
    for (const audio::EncodeFormat& f : audio::encodeFormats())
        if (format.empty() && f.ending == ending)
            format = f.name;
    auto encoder = audio::SoundEncoder::open(path, format, bitrate);
    if (!encoder)
        return encoder.error();
    if (Status added = (*encoder)->add(stereo); !added)
        return added;
    return (*encoder)->finish();
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
