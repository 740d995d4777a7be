// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the module: small faults of structure that make TagLib stop reading where others go on. They are put
// right on the overlay, never on the file.
#pragma once

#include <string>
#include <vector>

#include "core/audio/format.h"
#include "core/tags/overlay_stream.h"

namespace moorfrost::tags {

/// What was cut out of the ID3v2 tags in front of the file, or in a chunk of it.
struct MendedFrames {
    int empty = 0;                    // frames that held nothing, not even an encoding
    std::vector<std::string> damaged; // names of what no reader could make sense of: an edit would lose it
};

/// Before reading and before an edit: frames at which TagLib would stop, and forget all that follow, are cut
/// out.
MendedFrames mendFrames(OverlayStream& stream, audio::Format format);

/// For reading only: in a WAV or AIFF that is cut short the last part is made to end with the file.
void endLastChunk(OverlayStream& stream, audio::Format format);

/// A comment of a FLAC, Ogg Vorbis, Opus or Speex file that TagLib leaves out: it has no name, or is not
/// UTF-8.
struct RawComment {
    std::string name; // upper case; "" if there is none
    std::string value;
};
std::vector<RawComment> badComments(const ByteSource& source, audio::Format format);

} // namespace moorfrost::tags
