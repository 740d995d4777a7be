// SPDX-License-Identifier: GPL-3.0-or-later
// What the pages of an Ogg file and the heads of its streams tell without any of the sound being read (RFC
// 3533; Vorbis I specification, 4.2.2; RFC 7845, 5.1).
#pragma once

#include <optional>

#include "core/audio/format.h"
#include "core/base/byte_source.h"

namespace moorfrost::audio {

struct OggPage {
    uint64_t end = 0;     // where it ends, as it says; may lie behind the end of the file
    uint64_t granule = 0; // samples up to its end; all bits set where no packet ends in it
    bool marked = false;  // as the last one
};

/// nullopt where there is no page in the last 64 KB, the longest that one can be.
std::optional<OggPage> lastOggPage(const ByteSource& source);

/// The sound of a stream of Vorbis or Opus.
struct OggSound {
    double seconds = 0;
    int sampleRate = 0, channels = 0;
    int bitrate = 0;       // bits/s over the whole, to the next thousand
    bool constant = false; // told to be
    uint32_t preSkip = 0;  // samples of Opus to leave out at the beginning
};

/// nullopt where the file is not plain enough to tell.
std::optional<OggSound> oggSound(const ByteSource& source, Format format);

} // namespace moorfrost::audio
