// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the module: where tags lie in a file, for reading and for changing them.
#pragma once

#include <optional>
#include <vector>

#include "core/audio/parts.h"
#include "core/tags/ape/tag.h"
#include "core/tags/id3/tag.h"
#include "core/tags/riff/chunk_tags.h"

namespace moorfrost::tags {

/// The tags behind the sound: APE and ID3v1, in either order.
struct EndTags {
    std::optional<ApePlace> ape;
    std::optional<uint64_t> old; // where an ID3v1 tag begins
    uint64_t soundEnd = 0;
};
/// `ape`: files of the format may have an APE tag.
EndTags endTags(const ByteSource& source, bool ape);
/// nullopt where it makes no sense.
std::optional<ApeTag> apeIn(const ByteSource& source, const ApePlace& place);

/// The first chunk of a WAV or AIFF that holds an ID3v2 tag.
std::optional<audio::Part> id3Chunk(const ByteSource& source, audio::Format format);
/// nullopt where it is cut short, or coded in a way that is not known.
std::optional<Id3v2Tag> id3In(const ByteSource& source, const audio::Part& chunk);
/// The INFO lists of a WAV.
std::vector<audio::Part> infoChunks(const ByteSource& source);
InfoList infoIn(const ByteSource& source, const audio::Part& chunk);

} // namespace moorfrost::tags
