// SPDX-License-Identifier: GPL-3.0-or-later
// What FFmpeg says of a file, for formats that no other part of Moorfrost reads.
#pragma once

#include <map>
#include <string>

#include "core/base/result.h"

namespace moorfrost::audio {

struct FfmpegFacts {
    std::string codec;
    double duration = 0; // seconds
    int sampleRate = 0;  // Hz
    int channels = 0;
    int bitDepth = 0;                        // bits; 0 where the codec has none
    int bitrate = 0;                         // bits per second
    std::map<std::string, std::string> tags; // names as FFmpeg has them
};

/// An error where FFmpeg finds no sound in it, or is not sure that it does. `known`: the content is known to
/// be of a format of sound, so less certainty will do.
Result<FfmpegFacts> ffmpegFacts(const Path& path, bool known);

} // namespace moorfrost::audio
