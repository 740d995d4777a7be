// SPDX-License-Identifier: GPL-3.0-or-later
// A file of sound opened by FFmpeg, frame by frame. Inside audio/ only. One thread.
#pragma once

#include <cstdint>
#include <memory>
#include <optional>

#include "core/base/result.h"

extern "C" {
#include <libavcodec/avcodec.h>
#include <libavformat/avformat.h>
}

namespace moorfrost::audio {

class FfmpegInput {
public:
    /// Its best stream of sound. Unsupported where there is none that can be decoded.
    static Result<std::unique_ptr<FfmpegInput>> open(const Path& path);
    ~FfmpegInput();
    FfmpegInput(const FfmpegInput&) = delete;
    FfmpegInput& operator=(const FfmpegInput&) = delete;

    /// The next one, until the next call; nullptr at the end. Damaged parts are skipped.
    AVFrame* next();
    /// Where the frame that came last begins, in its own samples from the start; -1 where it does not tell.
    int64_t place() const;
    /// The same in seconds: below 0 for what a coder put in front; nullopt where it does not tell.
    std::optional<double> placeSeconds() const;
    /// Continues at about `seconds`, before it where it can; false where nothing could be done.
    bool seek(double seconds);
    /// Of the whole, as the file tells it; 0 where it does not.
    double seconds() const;
    const AVCodecContext& codec() const { return *codec_; }
    /// Of the stream: a layout that is at least named.
    AVChannelLayout layout() const;
    const Path& path() const { return path_; }

private:
    FfmpegInput() = default;

    Path path_;
    AVFormatContext* format_ = nullptr;
    AVCodecContext* codec_ = nullptr;
    AVPacket* packet_ = av_packet_alloc();
    AVFrame* frame_ = av_frame_alloc();
    int stream_ = -1;
    bool draining_ = false;
};

} // namespace moorfrost::audio
