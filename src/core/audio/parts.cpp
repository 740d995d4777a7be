// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/audio/parts.h"

#include <algorithm>

#include "core/base/numbers.h"

namespace moorfrost::audio {

LongChunks longChunks(const ByteSource& source) {
    LongChunks out;
    const std::string head = source.bytes(0, 48); // up to the table
    const std::string_view b = head;
    if (b.size() < 48 || (!b.starts_with("RF64") && !b.starts_with("BW64")) || b.substr(12, 4) != "ds64")
        return out;
    auto number = [](std::string_view at) {
        return littleEndian(at.substr(0, 4)) | uint64_t{littleEndian(at.substr(4, 4))} << 32;
    };
    out["data"] = number(b.substr(28, 8));
    const uint32_t entries = littleEndian(b.substr(44, 4));
    const uint32_t length = littleEndian(b.substr(16, 4));
    const std::string table =
        source.bytes(48, 12 * static_cast<size_t>(std::min<uint64_t>(entries, std::min(length / 12, 4096u))));
    for (size_t at = 0; at + 12 <= table.size(); at += 12)
        out[table.substr(at, 4)] = number(std::string_view(table).substr(at + 4, 8));
    return out;
}

std::optional<Part> chunkAt(const ByteSource& source, uint64_t at, bool big, const LongChunks& longer) {
    std::string h = source.bytes(at, 8);
    if (h.size() < 8)
        return std::nullopt;
    std::string_view size = std::string_view(h).substr(4);
    uint64_t length = big ? bigEndian(size) : littleEndian(size);
    if (length == 0xFFFFFFFFu)
        if (auto it = longer.find(h.substr(0, 4)); it != longer.end())
            length = it->second;
    if (at + 8 + length < at)
        return std::nullopt;
    return Part{h.substr(0, 4), at, at + 8, at + 8 + length};
}

std::vector<Part> chunksOf(const ByteSource& source, Format format) {
    std::vector<Part> out;
    const LongChunks longer = format == Format::Wav ? longChunks(source) : LongChunks();
    for (uint64_t at = 12; out.size() < 100000;) {
        auto chunk = chunkAt(source, at, format == Format::Aiff, longer);
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
