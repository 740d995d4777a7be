// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/audio/parts.h"

#include "core/base/numbers.h"

namespace moorfrost::audio {

std::optional<Part> chunkAt(const ByteSource& source, uint64_t at, bool big) {
    std::string h = source.bytes(at, 8);
    if (h.size() < 8)
        return std::nullopt;
    std::string_view size = std::string_view(h).substr(4);
    uint64_t length = big ? bigEndian(size) : littleEndian(size);
    return Part{h.substr(0, 4), at, at + 8, at + 8 + length};
}

std::vector<Part> chunksOf(const ByteSource& source, Format format) {
    std::vector<Part> out;
    for (uint64_t at = 12; out.size() < 100000;) {
        auto chunk = chunkAt(source, at, format == Format::Aiff);
        if (!chunk || chunk->end > source.size())
            break;
        at = chunk->nextChunk();
        out.push_back(std::move(*chunk));
    }
    return out;
}

std::optional<Part> boxAt(const ByteSource& source, uint64_t at, uint64_t end) {
    if (at + 8 > end)
        return std::nullopt;
    std::string h = source.bytes(at, 16);
    if (h.size() < 8)
        return std::nullopt;
    std::string_view b = h;
    uint64_t length = bigEndian(b.substr(0, 4)), header = 8;
    if (length == 1 && h.size() == 16) {
        length = uint64_t{bigEndian(b.substr(8, 4))} << 32 | bigEndian(b.substr(12, 4));
        header = 16;
    } else if (length == 0) {
        length = end - at;
    }
    if (length < header || at + length < at)
        return std::nullopt;
    return Part{h.substr(4, 4), at, at + header, at + length};
}

} // namespace moorfrost::audio
