// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/tags/ape/tag.h"

#include <algorithm>

#include "core/base/numbers.h"
#include "core/tags/picture.h"
#include "core/text/encodings.h"
#include "core/text/text.h"

namespace moorfrost::tags {

namespace {

constexpr uint32_t hasHeader = 0x80000000u, isHeader = 0x20000000u;
enum class Kind { Text, Binary, Locator, Reserved };

struct Split {
    std::string_view key, value;
    Kind kind = Kind::Text;
};

Split split(std::string_view item) {
    Split out;
    out.kind = static_cast<Kind>(littleEndian(item.substr(4, 4)) >> 1 & 3);
    const size_t zero = item.find('\0', 8);
    out.key = item.substr(8, zero - 8);
    out.value = item.substr(zero + 1);
    return out;
}

bool isCover(const Split& item) {
    return item.kind == Kind::Binary && text::upper(item.key).starts_with("COVER ART");
}

/// What stands in the brackets of "Cover Art (Front)", by the number of the type; some programs write
/// another.
constexpr const char* coverNames[] = {"Other",
                                      "Png Icon",
                                      "Icon",
                                      "Front",
                                      "Back",
                                      "Leaflet",
                                      "Media",
                                      "Lead Artist",
                                      "Artist",
                                      "Conductor",
                                      "Band",
                                      "Composer",
                                      "Lyricist",
                                      "Recording Location",
                                      "During Recording",
                                      "During Performance",
                                      "Video Capture",
                                      "Fish",
                                      "Illustration",
                                      "Band Logotype",
                                      "Publisher Logotype"};

std::string coverName(const std::string& type) {
    return std::string("Cover Art (") + coverNames[std::max(0, pictureTypeNumber(type))] + ")";
}

/// The type in the name of an item.
std::string pictureType(const std::string& upperKey) {
    const size_t open = upperKey.find('('), close = upperKey.find(')');
    if (open == std::string::npos || close == std::string::npos || close < open)
        return "front cover";
    const std::string name = upperKey.substr(open + 1, close - open - 1);
    for (size_t i = 0; i < std::size(coverNames); ++i)
        if (name == text::upper(coverNames[i]))
            return pictureTypeName(static_cast<int>(i));
    return "other";
}

TagItem itemOf(std::string bytes) {
    TagItem item{std::move(bytes), {}, {}};
    const Split parts = split(item.bytes);
    if (parts.kind == Kind::Text) {
        std::vector<std::string>& values = item.says[text::upper(parts.key)];
        for (const std::string& v : text::split(parts.value, std::string_view("\0", 1)))
            values.push_back(text::isUtf8(v) ? v : text::fromLatin1(v));
    } else if (!isCover(parts)) {
        item.unknown = "APE item " + text::forDisplay(parts.key);
    }
    return item;
}

/// As programs that write APE name these; others go by the names of Vorbis comments.
std::string nativeName(const std::string& key) {
    static const std::map<std::string, std::string> names = {
        {"title", "Title"},       {"artist", "Artist"},
        {"album", "Album"},       {"album_artist", "Album Artist"},
        {"track", "Track"},       {"disc", "Disc"},
        {"date", "Year"},         {"genre", "Genre"},
        {"composer", "Composer"}, {"comment", "Comment"},
        {"remixer", "MixArtist"}};
    auto it = names.find(key);
    return it == names.end() ? propertyOf(key) : it->second;
}

} // namespace

std::optional<ApePlace> apeAt(const ByteSource& source, uint64_t end) {
    if (end < ApeTag::footerLength)
        return std::nullopt;
    const std::string f = source.bytes(end - ApeTag::footerLength, ApeTag::footerLength);
    if (f.size() < ApeTag::footerLength || !f.starts_with("APETAGEX"))
        return std::nullopt;
    const uint64_t length = littleEndian(std::string_view(f).substr(12, 4));
    const bool header = (littleEndian(std::string_view(f).substr(20, 4)) & hasHeader) != 0;
    if (length < ApeTag::footerLength || length + (header ? ApeTag::footerLength : 0) > end)
        return std::nullopt;
    ApePlace out;
    out.footer = end - ApeTag::footerLength;
    out.items = end - length;
    out.begin = header ? out.items - ApeTag::footerLength : out.items;
    return out;
}

std::optional<ApeTag> ApeTag::parse(std::string_view b, std::string_view footer) {
    if (footer.size() < footerLength || b.size() > (64u << 20))
        return std::nullopt;
    ApeTag out;
    out.version_ = littleEndian(footer.substr(8, 4));
    const uint32_t count = littleEndian(footer.substr(16, 4));
    out.flags_ = littleEndian(footer.substr(20, 4));
    for (uint32_t i = 0; i < count && b.size() >= 11; ++i) {
        const uint32_t length = littleEndian(b.substr(0, 4));
        const size_t zero = b.find('\0', 8);
        if (zero == std::string_view::npos || zero == 8 || zero - 8 > 255 || length > b.size() - zero - 1)
            break;
        out.items_.push_back(itemOf(std::string(b.substr(0, zero + 1 + length))));
        b.remove_prefix(zero + 1 + length);
    }
    out.tail_ = b;
    out.beyond_ = count > out.items_.size() ? count - static_cast<uint32_t>(out.items_.size()) : 0;
    return out;
}

std::string ApeTag::render() const {
    std::string body;
    for (const TagItem& item : items_)
        body += item.bytes;
    body += tail_;
    auto part = [&](uint32_t flags) {
        return "APETAGEX" + asLittleEndian(version_) +
               asLittleEndian(static_cast<uint32_t>(body.size() + footerLength)) +
               asLittleEndian(static_cast<uint32_t>(items_.size()) + beyond_) + asLittleEndian(flags) +
               std::string(8, '\0');
    };
    return (flags_ & hasHeader ? part(flags_ | isHeader) : std::string()) + body + part(flags_);
}

std::optional<Picture> ApeTag::pictureOf(const TagItem& item, bool withBytes) const {
    const Split parts = split(item.bytes);
    if (!isCover(parts))
        return std::nullopt;
    const size_t zero = parts.value.find('\0'); // behind the name of a file
    const bool named = zero != std::string_view::npos;
    return makePicture(pictureType(text::upper(parts.key)),
                       named ? parts.value.substr(zero + 1) : parts.value, {},
                       named ? std::string(parts.value.substr(0, zero)) : std::string(), withBytes);
}

Result<TagItem> ApeTag::pictureItem(const Picture& picture) {
    const std::string name = coverName(picture.info.type);
    const std::string value = picture.info.description + '\0' + picture.data;
    const uint32_t binary = static_cast<uint32_t>(Kind::Binary) << 1;
    return itemOf(asLittleEndian(static_cast<uint32_t>(value.size())) + asLittleEndian(binary) + name + '\0' +
                  value);
}

Status ApeTag::set(const std::string& key, const std::vector<std::string>& values) {
    const TagItem* carrier = carrierOf(key);
    const std::string stored(carrier ? split(carrier->bytes).key : std::string_view());
    const std::string native = nativeName(key);
    const std::string name =
        text::upper(stored) == text::upper(native) || text::upper(stored) == propertyOf(key) ? stored
                                                                                             : native;
    const bool allowed = name.size() >= 2 && name.size() <= 255 &&
                         std::all_of(name.begin(), name.end(), [](char c) { return c >= 0x20 && c <= 0x7E; });
    if (!allowed && name != stored && !values.empty())
        return Error{ErrorKind::Unsupported,
                     {},
                     "Names of fields in an APE tag are made of two or more plain letters; \"" + name +
                         "\" is not."};
    std::vector<TagItem> fresh;
    if (!values.empty()) {
        const std::string value = text::join(values, std::string_view("\0", 1));
        fresh.push_back(itemOf(asLittleEndian(static_cast<uint32_t>(value.size())) + std::string(4, '\0') +
                               name + '\0' + value));
    }
    replace(key, std::move(fresh));
    return Done{};
}

} // namespace moorfrost::tags
