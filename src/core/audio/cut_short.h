// SPDX-License-Identifier: GPL-3.0-or-later
// Whether streams of frames, which have no length of their own, end before their headers say. Inside audio/
// only. FLAC: the last frame must end at the number of samples in STREAMINFO (RFC 9639). MP3: the number of
// bytes in the Xing or Info header of the first frame, where there is one.
#pragma once

#include <optional>
#include <string>

#include "core/base/byte_source.h"

namespace moorfrost::audio {

/// How many samples the last frame of a FLAC ends at; nullopt where it is not found. `streamInfo`, `start`,
/// `end` as below.
std::optional<uint64_t> flacSamples(const ByteSource& source, uint64_t streamInfo, uint64_t start,
                                    uint64_t end);

/// A sentence, or "" where nothing can be said against it. `start` and `end`: the frames. `thorough`: the
/// last frame must have the right checksum, too.
std::string whyFlacCutShort(const ByteSource& source, uint64_t streamInfo, uint64_t start, uint64_t end,
                            bool thorough);
std::string whyMp3CutShort(const ByteSource& source, uint64_t start, uint64_t end);

} // namespace moorfrost::audio
