// SPDX-License-Identifier: GPL-3.0-or-later
// Samples and pixels into files, by libavcodec, without time stamps or random numbers in them.
#pragma once

#include <cstdint>
#include <string>
#include <vector>

#include "core/base/result.h"

namespace moorfrost::demo {

/// By the ending of the path: .mp3 .flac .ogg .opus .m4a .wav .aiff
Status encodeSound(const std::vector<int16_t>& stereo, const Path& path, int bitrate);

/// RGB, 3 bytes a pixel, as JPEG or PNG bytes.
std::string encodePicture(const std::string& rgb, int width, int height, bool jpeg);

} // namespace moorfrost::demo
