// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/tags/tag_places.h"

#include "core/tags/id3/old_tag.h"

namespace moorfrost::tags {

using audio::Format;

EndTags endTags(const ByteSource& s, bool ape) {
    EndTags out;
    out.soundEnd = s.size();
    auto takeOld = [&] {
        const uint64_t end = out.soundEnd;
        // "TAG" also stands in "APETAGEX".
        if (!out.old && end >= 131 && s.bytes(end - 128, 3) == "TAG" && s.bytes(end - 131, 8) != "APETAGEX")
            out.old = out.soundEnd = end - Id3v1Tag::length;
    };
    takeOld();
    if (ape)
        if ((out.ape = apeAt(s, out.soundEnd)))
            out.soundEnd = out.ape->begin;
    takeOld();
    return out;
}

std::optional<ApeTag> apeIn(const ByteSource& s, const ApePlace& place) {
    return ApeTag::parse(s.bytes(place.items, static_cast<size_t>(place.footer - place.items)),
                         s.bytes(place.footer, ApeTag::footerLength));
}

std::optional<audio::Part> id3Chunk(const ByteSource& s, Format format) {
    for (const audio::Part& chunk : audio::chunksOf(s, format))
        if (isId3Chunk(chunk.id))
            return chunk;
    return std::nullopt;
}

std::optional<Id3v2Tag> id3In(const ByteSource& s, const audio::Part& chunk) {
    const std::string bytes = id3v2Bytes(s, chunk.content);
    return bytes.empty() || bytes.size() > chunk.length() ? std::nullopt : Id3v2Tag::parse(bytes);
}

std::vector<audio::Part> infoChunks(const ByteSource& s) {
    std::vector<audio::Part> out;
    for (const audio::Part& chunk : audio::chunksOf(s, Format::Wav))
        if (chunk.id == "LIST" && chunk.length() <= (16u << 20) && s.bytes(chunk.content, 4) == "INFO")
            out.push_back(chunk);
    return out;
}

InfoList infoIn(const ByteSource& s, const audio::Part& chunk) {
    return InfoList::parse(s.bytes(chunk.content, static_cast<size_t>(chunk.length())));
}

} // namespace moorfrost::tags
