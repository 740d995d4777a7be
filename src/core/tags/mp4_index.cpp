// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/tags/mp4_index.h"

#include "core/audio/parts.h"
#include "core/base/numbers.h"
#include "core/tags/taglib_maps.h"

namespace moorfrost::tags {

namespace {

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

} // namespace

bool isMp4IndexSound(const ByteSource& source) {
    int boxes = 0;
    return isSound(source, 0, source.size(), 0, boxes);
}

namespace {

/// The first box of that name within a box.
std::optional<audio::Part> inside(const ByteSource& s, std::optional<audio::Part> outer, std::string_view id,
                                  uint64_t skip = 0) {
    if (!outer)
        return std::nullopt;
    uint64_t at = outer->content + skip;
    for (int boxes = 0; boxes < 100000; ++boxes) {
        auto box = audio::boxAt(s, at, outer->end);
        if (!box || box->end > outer->end)
            break;
        if (box->id == id)
            return box;
        at = box->end;
    }
    return std::nullopt;
}

/// A text in a box behind its version and flags.
TagLib::String textIn(const ByteSource& s, const std::optional<audio::Part>& box) {
    if (!box || box->length() < 4 || box->length() > 1024)
        return {};
    return {s.bytes(box->content + 4, static_cast<size_t>(box->length() - 4)), TagLib::String::UTF8};
}

} // namespace

std::vector<std::string> mp4Dropped(const TagLib::MP4::Tag& tag, const ByteSource& source) {
    std::vector<std::string> out;
    const audio::Part file{{}, 0, 0, source.size()};
    auto meta = inside(source, inside(source, inside(source, file, "moov"), "udta"), "meta");
    auto list = inside(source, meta, "ilst", 4); // behind version and flags
    if (!list)
        return out;
    for (uint64_t at = list->content; out.size() < 10000;) {
        auto item = audio::boxAt(source, at, list->end);
        if (!item || item->end > list->end)
            break;
        at = item->end;
        TagLib::String name(item->id, TagLib::String::Latin1);
        if (item->id == "free")
            continue;
        if (item->id == "----")
            name += ":" + textIn(source, inside(source, item, "mean")) + ":" +
                    textIn(source, inside(source, item, "name"));
        if (!tag.contains(name))
            out.push_back("MP4 item " + utf8(name));
    }
    return out;
}

} // namespace moorfrost::tags
