// SPDX-License-Identifier: GPL-3.0-or-later
// What the first frame of an MP3 says of the whole: the header that most encoders put there instead of sound
// (marked "Xing", "Info" or "VBRI") and the part behind it in which LAME, and others after it, name
// themselves and tell how many samples they added.
#pragma once

#include <cstdint>
#include <optional>
#include <string>

#include "core/base/byte_source.h"

namespace moorfrost::audio {

struct MpegInfo {
    bool variable = false;
    std::optional<uint64_t> frames, bytes;  // of sound, this frame included in the bytes
    std::string encoder;                    // "LAME3.100"; "" if it is not named
    std::optional<uint32_t> delay, padding; // samples that the encoder added
};

/// `start`: where the sound begins. nullopt where the first frame is ordinary sound, or none.
std::optional<MpegInfo> mpegInfo(const ByteSource& source, uint64_t start);

} // namespace moorfrost::audio
