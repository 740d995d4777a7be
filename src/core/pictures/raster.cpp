// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/pictures/raster.h"

#include <algorithm>
#include <cstring>
#include <memory>

extern "C" {
#include <libavcodec/avcodec.h>
#include <libavutil/pixdesc.h>
#include <libswscale/swscale.h>
}

#include "core/tags/picture.h"

namespace moorfrost::pictures {

namespace {

constexpr int mostSide = 2048; // pixels that are asked for

Error broken() {
    return {ErrorKind::Damaged, {}, "The picture could not be decoded."};
}

AVCodecID codecOf(std::string_view data) {
    const std::string mime = tags::pictureMime(data);
    return mime == "image/jpeg"   ? AV_CODEC_ID_MJPEG
           : mime == "image/png"  ? AV_CODEC_ID_PNG
           : mime == "image/gif"  ? AV_CODEC_ID_GIF
           : mime == "image/bmp"  ? AV_CODEC_ID_BMP
           : mime == "image/webp" ? AV_CODEC_ID_WEBP
                                  : AV_CODEC_ID_NONE;
}

struct Freed {
    void operator()(AVCodecContext* c) const { avcodec_free_context(&c); }
    void operator()(AVPacket* p) const { av_packet_free(&p); }
    void operator()(AVFrame* f) const { av_frame_free(&f); }
    void operator()(SwsContext* s) const { sws_freeContext(s); }
};
template<class T>
using Owned = std::unique_ptr<T, Freed>;

/// A format that says the same without the word "full range" in it, which the scaler complains of.
AVPixelFormat plain(AVPixelFormat format) {
    switch (format) {
    case AV_PIX_FMT_YUVJ420P:
        return AV_PIX_FMT_YUV420P;
    case AV_PIX_FMT_YUVJ422P:
        return AV_PIX_FMT_YUV422P;
    case AV_PIX_FMT_YUVJ444P:
        return AV_PIX_FMT_YUV444P;
    case AV_PIX_FMT_YUVJ440P:
        return AV_PIX_FMT_YUV440P;
    default:
        return format;
    }
}

} // namespace

Result<Square> squareOf(std::string_view data, int side) {
    const AVCodec* codec = avcodec_find_decoder(codecOf(data));
    const tags::PictureSize told = tags::pictureSize(data);
    if (!codec || side < 1 || side > mostSide)
        return broken();
    if (int64_t{told.width} * told.height > mostPixels)
        return Error{ErrorKind::Unsupported, {}, "The picture has more than a hundred million pixels."};
    Owned<AVCodecContext> context(avcodec_alloc_context3(codec));
    Owned<AVPacket> packet(av_packet_alloc());
    Owned<AVFrame> frame(av_frame_alloc());
    if (!context || !packet || !frame || av_new_packet(packet.get(), static_cast<int>(data.size())) < 0)
        return broken();
    std::memcpy(packet->data, data.data(), data.size());
    context->max_pixels = mostPixels; // a header that says otherwise inside
    context->thread_count = 1;
    if (avcodec_open2(context.get(), codec, nullptr) < 0 ||
        avcodec_send_packet(context.get(), packet.get()) < 0)
        return broken();
    avcodec_send_packet(context.get(), nullptr);
    if (avcodec_receive_frame(context.get(), frame.get()) < 0 || frame->width < 1 || frame->height < 1)
        return broken();
    const auto format = static_cast<AVPixelFormat>(frame->format);
    const AVPixFmtDescriptor* description = av_pix_fmt_desc_get(format);
    if (!description)
        return broken();
    // The middle first: what lies beside it is never scaled.
    const int middle = std::min(frame->width, frame->height);
    frame->crop_left = static_cast<size_t>((frame->width - middle) / 2);
    frame->crop_right = static_cast<size_t>(frame->width - middle) - frame->crop_left;
    frame->crop_top = static_cast<size_t>((frame->height - middle) / 2);
    frame->crop_bottom = static_cast<size_t>(frame->height - middle) - frame->crop_top;
    if (av_frame_apply_cropping(frame.get(), AV_FRAME_CROP_UNALIGNED) < 0)
        return broken();
    Owned<SwsContext> scaler(sws_getContext(frame->width, frame->height, plain(format), side, side,
                                            AV_PIX_FMT_RGBA, side < middle ? SWS_AREA : SWS_BICUBIC, nullptr,
                                            nullptr, nullptr));
    if (!scaler)
        return broken();
    if (description->flags & AV_PIX_FMT_FLAG_RGB
            ? false
            : frame->color_range == AVCOL_RANGE_JPEG || plain(format) != format) {
        const int* coefficients = sws_getCoefficients(SWS_CS_DEFAULT);
        sws_setColorspaceDetails(scaler.get(), coefficients, 1, coefficients, 1, 0, 1 << 16, 1 << 16);
    }
    Square out;
    out.side = side;
    out.hasAlpha = (description->flags & AV_PIX_FMT_FLAG_ALPHA) != 0 || format == AV_PIX_FMT_PAL8;
    out.pixels.resize(static_cast<size_t>(side) * static_cast<size_t>(side) * 4);
    uint8_t* lines[4] = {reinterpret_cast<uint8_t*>(out.pixels.data()), nullptr, nullptr, nullptr};
    const int strides[4] = {side * 4, 0, 0, 0};
    if (sws_scale(scaler.get(), frame->data, frame->linesize, 0, frame->height, lines, strides) != side)
        return broken();
    if (out.hasAlpha) { // only where any of it shows through
        bool any = false;
        for (size_t i = 3; i < out.pixels.size(); i += 4)
            any = any || static_cast<uint8_t>(out.pixels[i]) != 255;
        out.hasAlpha = any;
    }
    return out;
}

} // namespace moorfrost::pictures
