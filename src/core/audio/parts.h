// SPDX-License-Identifier: GPL-3.0-or-later
// The parts that containers are made of: chunks of RIFF and IFF files (WAV, AIFF), boxes of MP4.
#pragma once

#include <map>
#include <optional>
#include <string>
#include <vector>

#include "core/audio/format.h"
#include "core/base/byte_source.h"

namespace moorfrost::audio {

struct Part {
    std::string id; // four bytes
    uint64_t at = 0;
    uint64_t content = 0; // where its content begins
    uint64_t end = 0;     // of its content, as it says itself: it may lie behind the end of the file

    uint64_t length() const { return end - content; }
    /// Where the next chunk begins: at an even place.
    uint64_t nextChunk() const { return end + (length() & 1); }
};

/// Lengths beyond 32 bits of the chunks of an RF64 or BW64 file, by the chunk "ds64" (EBU Tech 3306, ITU-R
/// BS.2088). Empty for others.
using LongChunks = std::map<std::string, uint64_t>;
LongChunks longChunks(const ByteSource& source);

/// nullopt where its eight bytes cannot be read.
std::optional<Part> chunkAt(const ByteSource& source, uint64_t at, bool bigEndian,
                            const LongChunks& longer = {});
/// The chunks of a WAV or AIFF in their order, as far as they lie in the file; at most 100,000.
std::vector<Part> chunksOf(const ByteSource& source, Format format);

/// `end`: of what it is part of. nullopt where its header cannot be read or makes no sense.
std::optional<Part> boxAt(const ByteSource& source, uint64_t at, uint64_t end);

} // namespace moorfrost::audio
