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

Result<Owned<AVFrame>> decoded(std::string_view data) {
    const AVCodec* codec = avcodec_find_decoder(codecOf(data));
    const tags::PictureSize told = tags::pictureSize(data);
    if (!codec)
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
    if (avcodec_receive_frame(context.get(), frame.get()) < 0 || frame->width < 1 || frame->height < 1 ||
        !av_pix_fmt_desc_get(static_cast<AVPixelFormat>(frame->format)))
        return broken();
    return frame;
}

/// All of the frame as `width` by `height` pixels.
Result<Raster> scaled(const AVFrame& frame, int width, int height) {
    const auto format = static_cast<AVPixelFormat>(frame.format);
    const AVPixFmtDescriptor* description = av_pix_fmt_desc_get(format);
    Owned<SwsContext> scaler(sws_getContext(frame.width, frame.height, plain(format), width, height,
                                            AV_PIX_FMT_RGBA, width < frame.width ? SWS_AREA : SWS_BICUBIC,
                                            nullptr, nullptr, nullptr));
    if (!scaler)
        return broken();
    if (description->flags & AV_PIX_FMT_FLAG_RGB
            ? false
            : frame.color_range == AVCOL_RANGE_JPEG || plain(format) != format) {
        const int* coefficients = sws_getCoefficients(SWS_CS_DEFAULT);
        sws_setColorspaceDetails(scaler.get(), coefficients, 1, coefficients, 1, 0, 1 << 16, 1 << 16);
    }
    Raster out;
    out.width = width;
    out.height = height;
    out.hasAlpha = (description->flags & AV_PIX_FMT_FLAG_ALPHA) != 0 || format == AV_PIX_FMT_PAL8;
    // The scaler writes whole vectors: each line has room behind it.
    const size_t line = static_cast<size_t>(width) * 4, stride = (line + 127) / 64 * 64;
    std::string padded(stride * static_cast<size_t>(height) + 64, '\0');
    const size_t shift = (64 - reinterpret_cast<uintptr_t>(padded.data()) % 64) % 64;
    uint8_t* lines[4] = {reinterpret_cast<uint8_t*>(padded.data()) + shift, nullptr, nullptr, nullptr};
    const int strides[4] = {static_cast<int>(stride), 0, 0, 0};
    if (sws_scale(scaler.get(), frame.data, frame.linesize, 0, frame.height, lines, strides) != height)
        return broken();
    out.pixels.reserve(line * static_cast<size_t>(height));
    for (size_t y = 0; y < static_cast<size_t>(height); ++y)
        out.pixels.append(padded, shift + y * stride, line);
    if (out.hasAlpha) { // only where any of it shows through
        bool any = false;
        for (size_t i = 3; i < out.pixels.size(); i += 4)
            any = any || static_cast<uint8_t>(out.pixels[i]) != 255;
        out.hasAlpha = any;
    }
    return out;
}

} // namespace

Result<Square> squareOf(std::string_view data, int side) {
    if (side < 1 || side > mostSide)
        return broken();
    auto frame = decoded(data);
    if (!frame)
        return frame.error();
    // The middle first: what lies beside it is never scaled.
    AVFrame& f = **frame;
    const int middle = std::min(f.width, f.height);
    f.crop_left = static_cast<size_t>((f.width - middle) / 2);
    f.crop_right = static_cast<size_t>(f.width - middle) - f.crop_left;
    f.crop_top = static_cast<size_t>((f.height - middle) / 2);
    f.crop_bottom = static_cast<size_t>(f.height - middle) - f.crop_top;
    if (av_frame_apply_cropping(&f, AV_FRAME_CROP_UNALIGNED) < 0)
        return broken();
    auto raster = scaled(f, side, side);
    if (!raster)
        return raster.error();
    return Square{side, raster->hasAlpha, std::move(raster->pixels)};
}

Result<Raster> rasterOf(std::string_view data, int most) {
    if (most < 64 || most > 4096)
        return broken();
    auto frame = decoded(data);
    if (!frame)
        return frame.error();
    const int width = (*frame)->width, height = (*frame)->height, longer = std::max(width, height);
    if (longer <= most)
        return scaled(**frame, width, height);
    auto less = [&](int side) { return std::max(1, static_cast<int>(int64_t{side} * most / longer)); };
    return scaled(**frame, less(width), less(height));
}

} // namespace moorfrost::pictures
