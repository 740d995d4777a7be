// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/tags/vorbis/comment.h"
#include "core/base/base64.h"

#include <algorithm>

#include "core/base/numbers.h"
#include "core/tags/picture.h"
#include "core/text/encodings.h"
#include "core/text/text.h"

namespace moorfrost::tags {

namespace {

std::string upperAscii(std::string_view name) {
    std::string out(name);
    for (char& c : out)
        c = c >= 'a' && c <= 'z' ? static_cast<char>(c - 32) : c;
    return out;
}

std::string_view nameOf(std::string_view entry) {
    return entry.substr(0, entry.find('='));
}

bool isPicture(std::string_view upperName) {
    return upperName == "METADATA_BLOCK_PICTURE" || upperName == "COVERART";
}

std::optional<Picture> pictureIn(std::string_view entry, bool withBytes) {
    const std::string name = upperAscii(nameOf(entry));
    auto bytes = fromBase64(entry.substr(std::min(entry.size(), name.size() + 1)));
    if (!bytes)
        return std::nullopt;
    if (name == "METADATA_BLOCK_PICTURE")
        return flacPicture(*bytes, withBytes);
    if (pictureMime(*bytes).empty())
        return std::nullopt;
    return makePicture("front cover", *bytes, {}, {}, withBytes);
}

TagItem itemOf(std::string_view entry) {
    TagItem item{std::string(entry), {}, {}};
    const size_t equals = entry.find('=');
    const std::string name = upperAscii(nameOf(entry));
    if (equals == std::string_view::npos || name.empty()) {
        item.unknown = "comment without a name";
    } else if (isPicture(name)) {
        if (!pictureIn(entry, false))
            item.unknown = "picture that makes no sense (" + name + ")";
    } else if (!text::isUtf8(name)) {
        item.unknown = "comment with a name that is no text";
    } else {
        const std::string value(entry.substr(equals + 1));
        // Not UTF-8 as it should be: shown byte by byte, kept as it is.
        item.says[text::upper(name)] = {text::isUtf8(value) ? value : text::fromLatin1(value)};
    }
    return item;
}

} // namespace

std::optional<Picture> flacPicture(std::string_view b, bool withBytes) {
    auto take = [&](size_t n) {
        std::string_view part = b.substr(0, n);
        b.remove_prefix(part.size());
        return part;
    };
    if (b.size() < 32)
        return std::nullopt;
    const uint32_t type = bigEndian(take(4));
    const uint32_t mimeLength = bigEndian(take(4));
    if (mimeLength > b.size())
        return std::nullopt;
    const std::string mime(take(mimeLength));
    const uint32_t textLength = bigEndian(take(4));
    if (textLength > b.size())
        return std::nullopt;
    const std::string description(take(textLength));
    if (b.size() < 20)
        return std::nullopt;
    PictureSize size{static_cast<int>(bigEndian(take(4)) & 0x7FFFFFFF),
                     static_cast<int>(bigEndian(take(4)) & 0x7FFFFFFF)};
    take(8); // depth, number of colours
    const uint32_t length = bigEndian(take(4));
    if (length > b.size())
        return std::nullopt;
    return makePicture(pictureTypeName(static_cast<int>(type & 0x7FFFFFFF)), b.substr(0, length), mime,
                       description, withBytes, size);
}

std::string flacPictureBlock(const Picture& picture) {
    auto number = [](uint64_t n) { return asBigEndian(static_cast<uint32_t>(n), 4); };
    auto text = [&](const std::string& t) { return number(t.size()) + t; };
    const PictureInfo& p = picture.info;
    // Depth and number of colours are not known: 0 says so.
    return number(static_cast<uint64_t>(std::max(0, pictureTypeNumber(p.type)))) + text(p.mime) +
           text(p.description) + number(static_cast<uint64_t>(p.width)) +
           number(static_cast<uint64_t>(p.height)) + number(0) + number(0) + text(picture.data);
}

VorbisComment VorbisComment::parse(std::string_view b) {
    VorbisComment out;
    auto number = [&](uint32_t& n) {
        if (b.size() < 4)
            return false;
        n = littleEndian(b.substr(0, 4));
        b.remove_prefix(4);
        return true;
    };
    uint32_t n = 0, count = 0;
    out.whole_ = number(n) && n <= b.size();
    if (!out.whole_)
        return out;
    out.vendor_ = b.substr(0, n);
    b.remove_prefix(n);
    out.whole_ = number(count);
    for (uint32_t i = 0; out.whole_ && i < count; ++i) {
        out.whole_ = number(n) && n <= b.size();
        if (!out.whole_)
            break;
        out.items_.push_back(itemOf(b.substr(0, n)));
        b.remove_prefix(n);
    }
    out.rest_ = out.whole_ ? std::string(b) : std::string();
    return out;
}

std::string VorbisComment::render() const {
    std::string out = asLittleEndian(static_cast<uint32_t>(vendor_.size())) + vendor_ +
                      asLittleEndian(static_cast<uint32_t>(items_.size()));
    for (const TagItem& item : items_)
        out += asLittleEndian(static_cast<uint32_t>(item.bytes.size())) + item.bytes;
    return out;
}

std::optional<Picture> VorbisComment::pictureOf(const TagItem& item, bool withBytes) const {
    return item.says.empty() && item.unknown.empty() ? pictureIn(item.bytes, withBytes) : std::nullopt;
}

Result<TagItem> VorbisComment::pictureItem(const Picture& picture) {
    return itemOf("METADATA_BLOCK_PICTURE=" + toBase64(flacPictureBlock(picture)));
}

Status VorbisComment::set(const std::string& key, const std::vector<std::string>& values) {
    const TagItem* carrier = carrierOf(key);
    const std::string stored(carrier ? nameOf(carrier->bytes) : std::string_view());
    const std::string name = freeName(key, stored);
    const bool allowed =
        std::all_of(name.begin(), name.end(), [](char c) { return c >= 0x20 && c <= 0x7D && c != '='; });
    if (!allowed && name != stored && !values.empty())
        return Error{ErrorKind::Unsupported,
                     {},
                     "Names of fields in this format are made of plain letters; \"" + name + "\" is not."};
    std::vector<TagItem> fresh;
    for (const std::string& value : values)
        fresh.push_back(itemOf(name + "=" + value));
    replace(key, std::move(fresh));
    return Done{};
}

Status VorbisComment::setPair(const std::string& numberKey, const std::string& number,
                              const std::string& totalKey, const std::string& total) {
    auto own = [&](const std::string& key) {
        return firstValue(fieldsFromProperties(part().properties), key);
    };
    auto put = [&](const std::string& key, const std::string& value) {
        return set(key, value.empty() ? std::vector<std::string>() : std::vector<std::string>{value});
    };
    const TagItem* carrier = carrierOf(numberKey);
    const bool joint = carrier && carries(*carrier, {totalKey}); // "3/12"
    if (joint || own(numberKey) != number)
        if (Status done = put(numberKey, number); !done)
            return done;
    return own(totalKey) == total ? Status(Done{}) : put(totalKey, total);
}

} // namespace moorfrost::tags
