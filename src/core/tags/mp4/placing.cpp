// SPDX-License-Identifier: GPL-3.0-or-later
// Where the list of tags lies in an MP4 file, and putting another in its place (ISO/IEC 14496-12: boxes,
// chunk offsets; QuickTime File Format: the "meta" box with its handler).
#include "core/tags/mp4/item_list.h"

#include <optional>

#include "core/audio/parts.h"
#include "core/base/numbers.h"

namespace moorfrost::tags {

namespace {

using audio::Part;

constexpr uint64_t newRoom = 2048;
constexpr uint64_t mostList = 256u << 20; // bytes of a list that are taken into memory

bool isContainer(std::string_view id) {
    for (const char* name : {"moov", "trak", "mdia", "minf", "stbl", "moof", "traf"})
        if (id == name)
            return true;
    return false;
}

bool isSound(const ByteSource& s, uint64_t at, uint64_t end, int depth, int& boxes) {
    while (at + 8 <= end) {
        auto box = audio::boxAt(s, at, end);
        if (!box || box->end > end || ++boxes > 100000)
            return false;
        if (box->id == "stco" || box->id == "co64") {
            uint64_t count = bigEndian(s.bytes(box->content + 4, 4)), width = box->id == "stco" ? 4 : 8;
            if (box->length() < 8 || count > (box->length() - 8) / width)
                return false;
        } else if (isContainer(box->id) &&
                   (depth >= 16 || !isSound(s, box->content, box->end, depth + 1, boxes))) {
            return false;
        }
        at = box->end;
    }
    return true;
}

std::vector<Part> boxesIn(const ByteSource& s, uint64_t at, uint64_t end) {
    std::vector<Part> out;
    while (out.size() < 100000) {
        auto box = audio::boxAt(s, at, end);
        if (!box || box->end > end)
            break;
        at = box->end;
        out.push_back(std::move(*box));
    }
    return out;
}

std::optional<Part> inside(const ByteSource& s, const std::optional<Part>& outer, std::string_view id,
                           uint64_t skip = 0) {
    if (outer)
        for (Part& box : boxesIn(s, outer->content + skip, outer->end))
            if (box.id == id)
                return box;
    return std::nullopt;
}

/// The boxes down to the list, as far as they are there.
struct Way {
    std::optional<Part> moov, udta, meta, list;
    uint64_t metaHead = 4; // version and flags in front of what "meta" holds; QuickTime has none

    std::vector<Part> parents() const {
        std::vector<Part> out;
        for (const auto* box : {&moov, &udta, &meta})
            if (*box)
                out.push_back(**box);
        return out;
    }
};

Way wayIn(const ByteSource& s) {
    Way out;
    out.moov = inside(s, Part{{}, 0, 0, s.size()}, "moov");
    out.udta = inside(s, out.moov, "udta");
    out.meta = inside(s, out.udta, "meta");
    if (out.meta && s.bytes(out.meta->content + 4, 4) == "hdlr")
        out.metaHead = 0;
    out.list = inside(s, out.meta, "ilst", out.metaHead);
    return out;
}

std::string box(std::string_view id, std::string_view content) {
    return asBigEndian(static_cast<uint32_t>(content.size() + 8), 4) + std::string(id) + std::string(content);
}

/// An empty box of that many bytes.
std::string room(uint64_t bytes) {
    return bytes == 0 ? std::string() : box("free", std::string(static_cast<size_t>(bytes - 8), '\0'));
}

uint64_t big64(std::string_view b) {
    return uint64_t{bigEndian(b.substr(0, 4))} << 32 | bigEndian(b.substr(4, 4));
}
std::string asBig64(uint64_t v) {
    return asBigEndian(static_cast<uint32_t>(v >> 32), 4) + asBigEndian(static_cast<uint32_t>(v), 4);
}

/// Adds `by` to all places behind `from` that tables inside the box name.
Status moveOffsets(OverlayStream& stream, const Part& outer, uint64_t from, int64_t by, int depth) {
    if (depth > 16)
        return Done{};
    for (const Part& b : boxesIn(stream, outer.content, outer.end)) {
        if (b.id == "stco" || b.id == "co64") {
            const size_t width = b.id == "stco" ? 4 : 8;
            std::string table = stream.bytes(b.content, static_cast<size_t>(b.length()));
            if (table.size() < 8)
                continue;
            const uint64_t count = bigEndian(std::string_view(table).substr(4, 4));
            for (uint64_t i = 0; i < count && 8 + (i + 1) * width <= table.size(); ++i) {
                const size_t at = 8 + static_cast<size_t>(i) * width;
                const std::string_view old = std::string_view(table).substr(at, width);
                uint64_t place = width == 4 ? bigEndian(old) : big64(old);
                if (place < from)
                    continue;
                place = static_cast<uint64_t>(static_cast<int64_t>(place) + by);
                if (width == 4 && place > 0xFFFFFFFFu)
                    return Error{
                        ErrorKind::Unsupported,
                        {},
                        "The sound would lie too far behind for the index of this file, so the change "
                        "was not made."};
                table.replace(at, width,
                              width == 4 ? asBigEndian(static_cast<uint32_t>(place), 4) : asBig64(place));
            }
            stream.replaceRange(b.content, table.size(), table);
        } else if (b.id == "tfhd") {
            const std::string head = stream.bytes(b.content, 16);
            if (head.size() == 16 && (head[3] & 1)) {
                const uint64_t place = big64(std::string_view(head).substr(8, 8));
                if (place >= from)
                    stream.replaceRange(b.content + 8, 8,
                                        asBig64(static_cast<uint64_t>(static_cast<int64_t>(place) + by)));
            }
        } else if (isContainer(b.id)) {
            if (Status moved = moveOffsets(stream, b, from, by, depth + 1); !moved)
                return moved;
        }
    }
    return Done{};
}

/// Puts `bytes` in the place of `length` bytes inside `parents`, and brings all lengths and places in step.
Status put(OverlayStream& stream, const std::vector<Part>& parents, uint64_t at, uint64_t length,
           const std::string& bytes) {
    const auto by = static_cast<int64_t>(bytes.size()) - static_cast<int64_t>(length);
    stream.replaceRange(at, length, bytes);
    if (by == 0)
        return Done{};
    for (const Part& parent : parents) {
        const uint64_t now = static_cast<uint64_t>(static_cast<int64_t>(parent.end - parent.at) + by);
        const uint32_t stored = bigEndian(stream.bytes(parent.at, 4));
        if (stored == 1)
            stream.replaceRange(parent.at + 8, 8, asBig64(now));
        else if (now > 0xFFFFFFFFu)
            return Error{ErrorKind::Unsupported, {}, "The index of this file would be longer than 4 GB."};
        else if (stored != 0) // else it reaches to the end of the file
            stream.replaceRange(parent.at, 4, asBigEndian(static_cast<uint32_t>(now), 4));
    }
    return moveOffsets(stream, Part{{}, 0, 0, stream.size()}, at + length, by, 0);
}

} // namespace

bool isMp4IndexSound(const ByteSource& source) {
    int boxes = 0;
    return isSound(source, 0, source.size(), 0, boxes);
}

Mp4List readMp4List(const ByteSource& source) {
    const Way way = wayIn(source);
    if (!way.list || way.list->length() > mostList)
        return {};
    return Mp4List::parse(source.bytes(way.list->content, static_cast<size_t>(way.list->length())));
}

Status placeMp4List(OverlayStream& stream, const Mp4List& list) {
    const Way way = wayIn(stream);
    const std::string fresh = box("ilst", list.render());
    if (!way.moov)
        return Error{ErrorKind::Damaged, {}, "The file has no index."};
    if (!way.list) {
        std::string bytes = fresh + room(newRoom);
        if (way.meta)
            return put(stream, way.parents(), way.meta->end, 0, bytes);
        std::string handler(8, '\0');
        handler += "mdirappl";
        handler.append(9, '\0');
        std::string meta(4, '\0');
        meta += box("hdlr", handler);
        meta += bytes;
        bytes = box("meta", meta);
        if (way.udta) {
            // A user data box may end with a zero of four bytes instead of another box.
            uint64_t end = way.udta->content;
            for (const Part& b : boxesIn(stream, way.udta->content, way.udta->end))
                end = b.end;
            return put(stream, way.parents(), end, 0, bytes);
        }
        return put(stream, way.parents(), way.moov->end, 0, box("udta", bytes));
    }
    // The empty boxes on both sides are room.
    uint64_t begin = way.list->at, end = way.list->end;
    bool seen = false;
    uint64_t freeFrom = 0;
    for (const Part& b : boxesIn(stream, way.meta->content + way.metaHead, way.meta->end)) {
        const bool empty = b.id == "free" || b.id == "skip";
        if (b.at == way.list->at) {
            begin = freeFrom > 0 ? freeFrom : begin;
            seen = true;
        } else if (seen && empty) {
            end = b.end;
        } else if (seen) {
            break;
        }
        freeFrom = empty ? (freeFrom > 0 ? freeFrom : b.at) : 0;
    }
    const uint64_t there = end - begin;
    if (fresh.size() == there || fresh.size() + 8 <= there) {
        stream.replaceRange(begin, there, fresh + room(there - fresh.size()));
        return Done{};
    }
    return put(stream, way.parents(), begin, there, fresh + room(newRoom));
}

} // namespace moorfrost::tags
