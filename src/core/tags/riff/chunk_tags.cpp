// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/tags/riff/chunk_tags.h"

#include <algorithm>

#include "core/audio/parts.h"
#include "core/base/numbers.h"
#include "core/text/encodings.h"
#include "core/text/text.h"

namespace moorfrost::tags {

namespace {

constexpr uint64_t mostText = 1u << 20; // bytes of a text chunk that are read

struct Named {
    const char* property;
    const char* id;
};
constexpr Named infoItems[] = {{"TITLE", "INAM"},       {"ARTIST", "IART"},    {"ALBUM", "IPRD"},
                               {"DATE", "ICRD"},        {"GENRE", "IGNR"},     {"COMMENT", "ICMT"},
                               {"TRACKNUMBER", "IPRT"}, {"COPYRIGHT", "ICOP"}, {"ENGINEER", "IENG"},
                               {"COMPOSER", "IMUS"},    {"LANGUAGE", "ILNG"},  {"ENCODEDBY", "ITCH"}};
constexpr Named aiffItems[] = {
    {"TITLE", "NAME"}, {"ARTIST", "AUTH"}, {"COPYRIGHT", "(c) "}, {"COMMENT", "ANNO"}};

const char* idOf(const std::string& key) {
    const std::string property = propertyOf(key);
    for (const Named& n : infoItems)
        if (property == n.property)
            return n.id;
    return nullptr;
}

TagItem infoItem(std::string bytes) {
    TagItem item{std::move(bytes), {}, {}};
    const std::string id = item.bytes.substr(0, 4);
    std::string value = item.bytes.substr(8);
    value = value.substr(0, value.find('\0'));
    for (const Named& n : infoItems)
        if (id == n.id && !value.empty())
            item.says[n.property] = {text::isUtf8(value) ? value : text::fromLatin1(value)};
    const bool known =
        std::any_of(std::begin(infoItems), std::end(infoItems), [&](const Named& n) { return id == n.id; });
    if (!known && id != "ISFT")
        item.unknown = "INFO item " + text::forDisplay(id);
    return item;
}

std::string chunkBytes(std::string_view id, std::string_view content, bool big) {
    const auto length = static_cast<uint32_t>(content.size());
    std::string out =
        std::string(id) + (big ? asBigEndian(length, 4) : asLittleEndian(length)) + std::string(content);
    if (content.size() & 1)
        out += '\0';
    return out;
}

bool isAscii(const std::string& v) {
    return std::all_of(v.begin(), v.end(), [](char c) { return static_cast<uint8_t>(c) < 0x80; });
}

} // namespace

InfoList InfoList::parse(std::string_view b) {
    InfoList out;
    b.remove_prefix(std::min<size_t>(4, b.size()));
    while (b.size() >= 8) {
        const uint64_t length = littleEndian(b.substr(4, 4));
        uint64_t whole = 8 + length;
        if (whole > b.size())
            break;
        whole += whole & 1 && whole < b.size() ? 1 : 0;
        out.items_.push_back(infoItem(std::string(b.substr(0, static_cast<size_t>(whole)))));
        b.remove_prefix(static_cast<size_t>(whole));
    }
    out.tail_ = b;
    return out;
}

std::string InfoList::render() const {
    std::string out = "INFO";
    for (const TagItem& item : items_) {
        out += item.bytes;
        if (item.bytes.size() & 1)
            out += '\0';
    }
    return out + tail_;
}

std::string InfoList::textOf(std::string_view id) const {
    for (const TagItem& item : items_)
        if (std::string_view(item.bytes).substr(0, 4) == id) {
            std::string value = item.bytes.substr(8);
            value = value.substr(0, value.find('\0'));
            return text::isUtf8(value) ? value : text::fromLatin1(value);
        }
    return {};
}

bool InfoList::holds(const std::string& key) {
    return idOf(key) != nullptr;
}

Status InfoList::set(const std::string& key, const std::vector<std::string>& values) {
    const char* id = idOf(key);
    if (!id)
        return Done{};
    std::vector<TagItem> fresh;
    if (!values.empty())
        fresh.push_back(infoItem(chunkBytes(id, text::join(values, "; ") + '\0', false)));
    replace(key, std::move(fresh));
    return Done{};
}

AiffTexts AiffTexts::read(const ByteSource& source) {
    AiffTexts out;
    for (const audio::Part& chunk : audio::chunksOf(source, audio::Format::Aiff))
        for (const Named& n : aiffItems) {
            if (chunk.id != n.id)
                continue;
            TagItem item{chunk.id + source.bytes(chunk.content,
                                                 static_cast<size_t>(std::min(chunk.length(), mostText))),
                         {},
                         {}};
            std::string value = item.bytes.substr(4);
            value = text::trim(value.substr(0, value.find('\0')));
            if (!text::isUtf8(value))
                value = text::decode(value, "macintosh").value_or(std::string());
            if (!value.empty())
                item.says[n.property] = {value};
            out.items_.push_back(std::move(item));
        }
    return out;
}

Status AiffTexts::set(const std::string& key, const std::vector<std::string>& values) {
    const TagItem* carrier = carrierOf(key);
    if (!carrier)
        return Done{};
    std::vector<TagItem> fresh;
    if (values.size() == 1 && isAscii(values.front())) {
        fresh.push_back({carrier->bytes.substr(0, 4) + values.front(), {}, {}});
        fresh.front().says[propertyOf(key)] = values;
    }
    replace(key, std::move(fresh));
    return Done{};
}

Status AiffTexts::place(OverlayStream& stream) const {
    const AiffTexts before = read(stream);
    std::vector<audio::Part> chunks;
    for (const audio::Part& chunk : audio::chunksOf(stream, audio::Format::Aiff))
        if (std::any_of(std::begin(aiffItems), std::end(aiffItems),
                        [&](const Named& n) { return chunk.id == n.id; }))
            chunks.push_back(chunk);
    // The kept ones stand in their order; a changed one has the place of the first of its kind.
    std::vector<ChunkChange> changes;
    std::map<std::string, size_t> seen;
    auto ofKind = [&](const std::vector<TagItem>& items, const std::string& id) {
        std::vector<std::string> contents;
        for (const TagItem& item : items)
            if (item.bytes.starts_with(id))
                contents.push_back(item.bytes.substr(4));
        return contents;
    };
    for (const audio::Part& chunk : chunks) {
        const size_t i = seen[chunk.id]++;
        const auto old = ofKind(before.items(), chunk.id), now = ofKind(items(), chunk.id);
        if (old == now)
            continue;
        changes.push_back({chunk.at, chunk.id, i < now.size() ? now[i] : std::string(), i >= now.size()});
    }
    return placeChunks(stream, audio::Format::Aiff, changes);
}

bool isId3Chunk(std::string_view id) {
    return id == "ID3 " || id == "id3 ";
}

Status placeChunks(OverlayStream& stream, audio::Format format, const std::vector<ChunkChange>& changes) {
    const bool big = format == audio::Format::Aiff;
    const std::string sound = big ? "SSND" : "data";
    uint64_t soundAt = 0;
    std::map<uint64_t, audio::Part> there;
    for (const audio::Part& chunk : audio::chunksOf(stream, format)) {
        there[chunk.at] = chunk;
        if (chunk.id == sound)
            soundAt = chunk.at;
    }
    std::string atEnd;
    for (auto change = changes.rbegin(); change != changes.rend(); ++change) {
        if (change->at == 0) {
            atEnd.insert(0, chunkBytes(change->id, change->content, big));
            continue;
        }
        const audio::Part& old = there.at(change->at);
        std::string fresh = change->gone ? std::string() : chunkBytes(change->id, change->content, big);
        const uint64_t length = std::min(old.nextChunk(), stream.size()) - old.at;
        if (!big && old.at < soundAt && fresh.size() != length) {
            // The sound stays where it is. AIFF knows no chunk for empty room.
            atEnd.insert(0, fresh);
            fresh = chunkBytes("JUNK", std::string(static_cast<size_t>(length - 8), '\0'), big);
        }
        stream.replaceRange(old.at, length, fresh);
    }
    if (!atEnd.empty()) {
        if (stream.size() & 1)
            atEnd.insert(0, 1, '\0');
        stream.replaceRange(stream.size(), 0, atEnd);
    }
    const uint64_t size = stream.size() - 8;
    if (const std::string ds64 = stream.bytes(12, 12); ds64.starts_with("ds64")) {
        // RF64 and BW64 (EBU Tech 3306, ITU-R BS.2088): the length stands in a chunk of its own.
        stream.replaceRange(20, 8,
                            asLittleEndian(static_cast<uint32_t>(size)) +
                                asLittleEndian(static_cast<uint32_t>(size >> 32)));
        return Done{};
    }
    if (size > 0xFFFFFFFFu)
        return Error{
            ErrorKind::Unsupported, {}, "The file would be longer than the 4 GB that its format can tell."};
    stream.replaceRange(4, 4,
                        big ? asBigEndian(static_cast<uint32_t>(size), 4)
                            : asLittleEndian(static_cast<uint32_t>(size)));
    return Done{};
}

} // namespace moorfrost::tags
