// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/tags/asf/tag.h"

#include <algorithm>

#include "core/base/numbers.h"
#include "core/tags/picture.h"
#include "core/text/encodings.h"
#include "core/text/text.h"

namespace moorfrost::tags {

namespace {

using namespace std::string_view_literals;

constexpr auto headerId = "\x30\x26\xB2\x75\x8E\x66\xCF\x11\xA6\xD9\x00\xAA\x00\x62\xCE\x6C"sv;
constexpr auto descriptionId = "\x33\x26\xB2\x75\x8E\x66\xCF\x11\xA6\xD9\x00\xAA\x00\x62\xCE\x6C"sv;
constexpr auto extendedId = "\x40\xA4\xD0\xD2\x07\xE3\xD2\x11\x97\xF0\x00\xA0\xC9\x5E\xA8\x50"sv;
constexpr auto extensionId = "\xB5\x03\xBF\x5F\x2E\xA9\xCF\x11\x8E\xE3\x00\xC0\x0C\x20\x53\x65"sv;
constexpr auto metadataId = "\xEA\xCB\xF8\xC5\xAF\x5B\x77\x48\x84\x67\xAA\x8C\x44\xFA\x4C\xCA"sv;
constexpr auto libraryId = "\x94\x1C\x23\x44\x98\x94\xD1\x49\xA1\x41\x1D\x13\x4E\x45\x70\x54"sv;
constexpr auto paddingId = "\x74\xD4\x06\x18\xDF\xCA\x09\x45\xA4\xBA\x9A\xAB\xCB\x96\xAA\xE8"sv;
constexpr auto fileId = "\xA1\xDC\xAB\x8C\x47\xA9\xCF\x11\x8E\xE4\x00\xC0\x0C\x20\x53\x65"sv;
constexpr auto extensionReserved =
    "\x11\xD2\xD3\xAB\xBA\xA9\xCF\x11\x8E\xE6\x00\xC0\x0C\x20\x53\x65\x06\x00"sv;

constexpr uint64_t mostHeader = 64u << 20;
constexpr size_t newRoom = 2048;

/// The five texts of the content description, in their order.
constexpr const char* slots[] = {"TITLE", "ARTIST", "COPYRIGHT", "COMMENT", "RATING"};

struct Named {
    const char* name;
    const char* property;
};

/// Names of the "Windows Media Format SDK", attribute list. Several programs write the first of two.
constexpr Named names[] = {
    {"WM/AlbumTitle", "ALBUM"},
    {"WM/AlbumArtist", "ALBUMARTIST"},
    {"WM/TrackNumber", "TRACKNUMBER"},
    {"WM/PartOfSet", "DISCNUMBER"},
    {"WM/Year", "DATE"},
    {"WM/OriginalReleaseTime", "ORIGINALDATE"},
    {"WM/OriginalReleaseYear", "ORIGINALYEAR"},
    {"WM/Genre", "GENRE"},
    {"WM/Composer", "COMPOSER"},
    {"WM/Writer", "LYRICIST"},
    {"WM/Conductor", "CONDUCTOR"},
    {"WM/ModifiedBy", "REMIXER"},
    {"WM/Producer", "PRODUCER"},
    {"WM/Engineer", "ENGINEER"},
    {"WM/Publisher", "LABEL"},
    {"WM/CatalogNo", "CATALOGNUMBER"},
    {"WM/Barcode", "BARCODE"},
    {"WM/ISRC", "ISRC"},
    {"WM/Language", "LANGUAGE"},
    {"WM/Script", "SCRIPT"},
    {"WM/Media", "MEDIA"},
    {"WM/IsCompilation", "COMPILATION"},
    {"WM/ContentGroupDescription", "GROUPING"},
    {"WM/Mood", "MOOD"},
    {"WM/BeatsPerMinute", "BPM"},
    {"WM/InitialKey", "INITIALKEY"},
    {"WM/Lyrics", "LYRICS"},
    {"WM/EncodedBy", "ENCODEDBY"},
    {"WM/AuthorURL", "WEBSITE"},
    {"WM/TitleSortOrder", "TITLESORT"},
    {"WM/ArtistSortOrder", "ARTISTSORT"},
    {"WM/AlbumSortOrder", "ALBUMSORT"},
    {"WM/AlbumArtistSortOrder", "ALBUMARTISTSORT"},
    {"WM/ComposerSortOrder", "COMPOSERSORT"},
    {"Author", "ARTIST"}, // further artists beside the one of the content description
};

/// Facts of the encoding, not fields.
bool isTechnical(const std::string& name) {
    static const std::set<std::string> technical = {"IsVBR",
                                                    "WMFSDKNeeded",
                                                    "WMFSDKVersion",
                                                    "DeviceConformanceTemplate",
                                                    "ASFLeakyBucketPairs",
                                                    "WM/WMADRCPeakReference",
                                                    "WM/WMADRCAverageReference",
                                                    "WM/EncodingSettings"};
    return technical.contains(name);
}

uint64_t little64(std::string_view b) {
    return littleEndian(b.substr(0, 4)) | uint64_t{littleEndian(b.substr(4, 4))} << 32;
}
std::string as64(uint64_t v) {
    return asLittleEndian(static_cast<uint32_t>(v)) + asLittleEndian(static_cast<uint32_t>(v >> 32));
}
std::string as16(size_t v) {
    return asLittleEndian(static_cast<uint32_t>(v)).substr(0, 2);
}

/// Up to the first zero.
std::string utf16Text(std::string_view b) {
    std::string out = text::fromUtf16(b, false);
    return out.substr(0, out.find('\0'));
}
std::string withZero(const std::string& text) {
    return text::toUtf16(text) + std::string(2, '\0');
}

struct Object {
    std::string_view id, content;
    std::string_view whole;
};
/// nullopt where one is longer than what it is part of.
std::optional<std::vector<Object>> objectsIn(std::string_view b) {
    std::vector<Object> out;
    while (!b.empty()) {
        if (b.size() < 24)
            return std::nullopt;
        const uint64_t length = little64(b.substr(16, 8));
        if (length < 24 || length > b.size() || out.size() > 10000)
            return std::nullopt;
        const auto n = static_cast<size_t>(length);
        out.push_back({b.substr(0, 16), b.substr(24, n - 24), b.substr(0, n)});
        b.remove_prefix(n);
    }
    return out;
}
std::string objectBytes(std::string_view id, std::string_view content) {
    return std::string(id) + as64(content.size() + 24) + std::string(content);
}

/// The objects of the header, behind its 30 bytes.
std::optional<std::pair<std::string, std::vector<Object>>> header(const ByteSource& source,
                                                                  std::string& bytes) {
    const std::string head = source.bytes(0, 30);
    if (head.size() < 30 || !head.starts_with(headerId))
        return std::nullopt;
    const uint64_t length = little64(std::string_view(head).substr(16, 8));
    if (length < 30 || length > source.size() || length > mostHeader)
        return std::nullopt;
    bytes = source.bytes(30, static_cast<size_t>(length - 30));
    auto objects = objectsIn(bytes);
    if (!objects)
        return std::nullopt;
    return std::pair(head, std::move(*objects));
}

} // namespace

std::string asfNameOf(const std::string& key) {
    // A total stands behind its number.
    const std::string property = propertyOf(key == "tracks" ? "track" : key == "discs" ? "disc" : key);
    static const std::map<std::string, std::string> described = {
        {"TITLE", "Title"}, {"ARTIST", "Author"}, {"COPYRIGHT", "Copyright"}, {"COMMENT", "Description"}};
    if (auto it = described.find(property); it != described.end())
        return it->second;
    for (const Named& n : names)
        if (property == n.property)
            return n.name;
    return property;
}

struct AsfTag::Attribute {
    std::string name;
    int type = 0; // 0: text, 1: bytes, 2: yes or no, 3: 4 bytes, 4: 8 bytes, 5: 2 bytes
    std::string_view value;
};

// The first byte of an item's bytes tells the object; for the content description the second tells which
// text.
AsfTag::Place AsfTag::placeOf(const TagItem& item) {
    return static_cast<Place>(item.bytes.front());
}

TagItem AsfTag::described(size_t slot, std::string_view bytes) {
    TagItem item{std::string(1, static_cast<char>(Place::Description)) + static_cast<char>(slot) +
                     std::string(bytes),
                 {},
                 {}};
    const std::string value = utf16Text(bytes);
    if (value.empty())
        item.says[slots[slot]] = {}; // its place
    else if (slot < 4)
        item.says[slots[slot]] = {value};
    return item;
}

std::optional<AsfTag::Attribute> AsfTag::attributeOf(const TagItem& item) {
    Attribute out;
    std::string_view b = std::string_view(item.bytes).substr(1);
    if (placeOf(item) == Place::Description)
        return std::nullopt;
    if (placeOf(item) == Place::Extended) {
        const size_t n = littleEndian(b.substr(0, 2));
        out.name = utf16Text(b.substr(2, n));
        out.type = static_cast<int>(littleEndian(b.substr(2 + n, 2)));
        out.value = b.substr(6 + n);
    } else {
        const size_t n = littleEndian(b.substr(4, 2));
        out.type = static_cast<int>(littleEndian(b.substr(6, 2)));
        out.name = utf16Text(b.substr(12, n));
        out.value = b.substr(12 + n);
    }
    return out;
}

TagItem AsfTag::attributeItem(Place place, std::string bytes) {
    TagItem item{std::string(1, static_cast<char>(place)) + std::move(bytes), {}, {}};
    const Attribute a = *attributeOf(item);
    if (a.name == "WM/Picture" || isTechnical(a.name))
        return item;
    std::string property = text::upper(a.name);
    for (const Named& n : names)
        if (a.name == n.name)
            property = n.property;
    if (a.type == 0)
        item.says[property] = {utf16Text(a.value)};
    else if (a.type == 2)
        item.says[property] = {littleEndian(a.value.substr(0, 4)) ? "1" : "0"};
    else if ((a.type == 3 || a.type == 5) && a.value.size() >= 2)
        item.says[property] = {std::to_string(littleEndian(a.value.substr(0, a.type == 3 ? 4 : 2)))};
    else if (a.type == 4 && a.value.size() >= 8)
        item.says[property] = {std::to_string(little64(a.value))};
    else
        item.unknown = "WMA attribute " + text::forDisplay(a.name);
    return item;
}

std::optional<AsfTag> AsfTag::read(const ByteSource& source) {
    std::string bytes;
    auto parts = header(source, bytes);
    if (!parts)
        return std::nullopt;
    AsfTag out;
    auto attributes = [&](std::string_view b, Place place) {
        const size_t count = littleEndian(b.substr(0, 2));
        b.remove_prefix(std::min<size_t>(2, b.size()));
        for (size_t i = 0; i < count; ++i) {
            uint64_t whole = UINT64_MAX;
            if (place == Place::Extended && b.size() >= 6) {
                const size_t n = littleEndian(b.substr(0, 2));
                if (n + 6 <= b.size())
                    whole = 6 + n + littleEndian(b.substr(4 + n, 2));
            } else if (place != Place::Extended && b.size() >= 12) {
                whole = 12 + littleEndian(b.substr(4, 2)) + uint64_t{littleEndian(b.substr(8, 4))};
            }
            if (whole > b.size())
                return false;
            out.items_.push_back(attributeItem(place, std::string(b.substr(0, static_cast<size_t>(whole)))));
            b.remove_prefix(static_cast<size_t>(whole));
        }
        return b.empty();
    };
    bool whole = true;
    for (const Object& o : parts->second) {
        if (o.id == descriptionId && o.content.size() >= 10 && !out.hasDescription_) {
            out.hasDescription_ = true;
            size_t at = 10;
            for (size_t i = 0; i < 5; ++i) {
                const size_t n = littleEndian(o.content.substr(i * 2, 2));
                whole = whole && at + n <= o.content.size();
                out.items_.push_back(described(i, o.content.substr(std::min(at, o.content.size()), n)));
                at += n;
            }
            whole = whole && at == o.content.size();
        } else if (o.id == extendedId && !out.hasExtended_) {
            out.hasExtended_ = true;
            whole = attributes(o.content, Place::Extended) && whole;
        } else if (o.id == extensionId && o.content.size() >= 22) {
            auto inner = objectsIn(o.content.substr(22));
            for (const Object& i : inner ? *inner : std::vector<Object>()) {
                if (i.id == metadataId)
                    whole = attributes(i.content, Place::Metadata) && whole;
                else if (i.id == libraryId)
                    whole = attributes(i.content, Place::Library) && whole;
            }
        }
    }
    // Whatever the order of the objects: the first value of a name stands in the extended description.
    std::stable_sort(out.items_.begin(), out.items_.end(),
                     [](const TagItem& a, const TagItem& b) { return placeOf(a) < placeOf(b); });
    if (!whole)
        out.items_.push_back({std::string(1, '\xFF'), {}, "WMA attributes that are cut short"});
    return out;
}

std::optional<Picture> AsfTag::pictureOf(const TagItem& item, bool withBytes) const {
    if (item.bytes.size() < 2 || item.bytes.front() == '\xFF' || placeOf(item) == Place::Description)
        return std::nullopt;
    const Attribute a = *attributeOf(item);
    if (a.name != "WM/Picture" || a.value.size() < 9)
        return std::nullopt;
    // Type, length, two texts that end with zeros, the picture.
    const uint64_t length = littleEndian(a.value.substr(1, 4));
    size_t at = 5;
    std::string texts[2];
    for (std::string& t : texts) {
        const size_t from = at;
        while (at + 1 < a.value.size() && (a.value[at] || a.value[at + 1]))
            at += 2;
        t = text::fromUtf16(a.value.substr(std::min(from, a.value.size()), at - from), false);
        at += 2;
    }
    if (at > a.value.size() || length > a.value.size() - at)
        return std::nullopt;
    return makePicture(pictureTypeName(static_cast<uint8_t>(a.value[0])),
                       a.value.substr(at, static_cast<size_t>(length)), texts[0], texts[1], withBytes);
}

Result<TagItem> AsfTag::pictureItem(const Picture& picture) {
    const std::string value = static_cast<char>(std::max(0, pictureTypeNumber(picture.info.type))) +
                              asLittleEndian(static_cast<uint32_t>(picture.data.size())) +
                              withZero(picture.info.mime) + withZero(picture.info.description) + picture.data;
    const std::string name = withZero("WM/Picture");
    // Values of the extended description end at 64 KB; small ones are found by more programs there.
    if (value.size() <= 0xFFFF)
        return attributeItem(Place::Extended,
                             as16(name.size()) + name + as16(1) + as16(value.size()) + value);
    return attributeItem(Place::Library, as16(0) + as16(0) + as16(name.size()) + as16(1) +
                                             asLittleEndian(static_cast<uint32_t>(value.size())) + name +
                                             value);
}

size_t AsfTag::appendAt() const {
    // In front of what could not be taken apart.
    return items_.size() - (!items_.empty() && items_.back().bytes.front() == '\xFF' ? 1 : 0);
}

std::string AsfTag::textOf(std::string_view attribute) const {
    for (const TagItem& item : items_) {
        if (item.bytes.size() < 2 || placeOf(item) == Place::Description || item.bytes.front() == '\xFF')
            continue;
        if (const Attribute a = *attributeOf(item); a.name == attribute)
            return a.type == 0   ? utf16Text(a.value)
                   : a.type == 2 ? (littleEndian(a.value.substr(0, 4)) ? "1" : "0")
                                 : std::string();
    }
    return {};
}

Status AsfTag::set(const std::string& key, const std::vector<std::string>& values) {
    const std::string property = propertyOf(key);
    std::vector<TagItem> fresh;
    size_t next = 0;
    const auto slot =
        std::find_if(std::begin(slots), std::begin(slots) + 4, [&](const char* s) { return property == s; });
    const Error tooLong{ErrorKind::Unsupported, {}, labelOf(key) + " is too long for this format."};
    if (slot != std::begin(slots) + 4) {
        // One text of the content description; artists beyond the first are attributes.
        const std::string value = values.empty()    ? std::string()
                                  : key == "artist" ? values.front()
                                                    : text::join(values, "; ");
        const std::string bytes = value.empty() ? std::string() : withZero(value);
        if (bytes.size() > 0xFFFF)
            return tooLong;
        const auto number = static_cast<size_t>(slot - std::begin(slots));
        if (!hasDescription_ && !value.empty()) {
            hasDescription_ = true;
            for (size_t i = 5; i-- > 0;)
                items_.insert(items_.begin(), described(i, {}));
        }
        for (TagItem& item : items_)
            if (hasDescription_ && placeOf(item) == Place::Description &&
                item.bytes[1] == static_cast<char>(number))
                item = described(number, bytes);
        // It stays where it is: what else carries the field goes.
        items_.erase(std::remove_if(items_.begin(), items_.end(),
                                    [&](const TagItem& i) {
                                        return i.bytes.front() != '\xFF' &&
                                               placeOf(i) != Place::Description && carries(i, {key});
                                    }),
                     items_.end());
        if (key != "artist" || values.size() < 2)
            return Done{};
        next = 1;
    }
    std::string name = property == "ARTIST" ? std::string("Author") : std::string();
    for (const Named& n : names)
        if (name.empty() && property == n.property)
            name = n.name;
    if (name.empty()) {
        const TagItem* carrier = carrierOf(key);
        auto stored = carrier ? attributeOf(*carrier) : std::nullopt;
        name = freeName(key, stored ? stored->name : std::string());
    }
    // The first value stands in the extended description, further ones in the library: the first list tells
    // one value of a name.
    bool first = next == 0;
    for (; next < values.size(); ++next) {
        const std::string nameBytes = withZero(name), value = withZero(values[next]);
        if (nameBytes.size() > 0xFFFF)
            return tooLong;
        if (first && value.size() <= 0xFFFF)
            fresh.push_back(attributeItem(Place::Extended, as16(nameBytes.size()) + nameBytes + as16(0) +
                                                               as16(value.size()) + value));
        else
            fresh.push_back(attributeItem(
                Place::Library, as16(0) + as16(0) + as16(nameBytes.size()) + as16(0) +
                                    asLittleEndian(static_cast<uint32_t>(value.size())) + nameBytes + value));
        first = false;
    }
    if (property == "ARTIST")
        items_.insert(items_.end(), fresh.begin(), fresh.end());
    else
        replace(key, std::move(fresh));
    return Done{};
}

std::string AsfTag::object(Place place) const {
    std::string content, lengths;
    size_t count = 0;
    for (const TagItem& item : items_)
        if (item.bytes.front() != '\xFF' && placeOf(item) == place) {
            const std::string bytes = item.bytes.substr(place == Place::Description ? 2 : 1);
            lengths += as16(bytes.size());
            content += bytes;
            ++count;
        }
    switch (place) {
    case Place::Description:
        return count == 0 ? std::string() : objectBytes(descriptionId, lengths + content);
    case Place::Extended:
        return objectBytes(extendedId, as16(count) + content);
    case Place::Metadata:
        return objectBytes(metadataId, as16(count) + content);
    case Place::Library:
        return objectBytes(libraryId, as16(count) + content);
    }
    return {};
}

Status AsfTag::place(OverlayStream& stream) const {
    std::string bytes;
    auto parts = header(stream, bytes);
    const bool whole = std::none_of(items_.begin(), items_.end(),
                                    [](const TagItem& i) { return i.bytes.front() == '\xFF'; });
    if (!parts || !whole)
        return Error{
            ErrorKind::Damaged, {}, "The attributes of this file are damaged. It is not written to."};
    auto any = [&](Place place) {
        return std::any_of(items_.begin(), items_.end(),
                           [&](const TagItem& i) { return placeOf(i) == place; });
    };
    std::string out;
    uint32_t objects = 0;
    bool description = false, extended = false, extension = false;
    auto add = [&](std::string_view o) {
        out += o;
        ++objects;
    };
    for (const Object& o : parts->second) {
        if (o.id == paddingId)
            continue;
        if (o.id == descriptionId && !description) {
            description = true;
            add(object(Place::Description));
        } else if (o.id == extendedId && !extended) {
            extended = true;
            add(object(Place::Extended));
        } else if (o.id == extensionId && o.content.size() >= 22 && !extension) {
            extension = true;
            auto inner = objectsIn(o.content.substr(22));
            if (!inner)
                return Error{
                    ErrorKind::Damaged, {}, "The header of this file is damaged. It is not written to."};
            std::string kept;
            bool metadata = false, library = false;
            for (const Object& i : *inner) {
                if ((i.id == metadataId && metadata) || (i.id == libraryId && library))
                    continue; // its items stand in the first
                metadata = metadata || i.id == metadataId;
                library = library || i.id == libraryId;
                kept += i.id == metadataId  ? object(Place::Metadata)
                        : i.id == libraryId ? object(Place::Library)
                                            : std::string(i.whole);
            }
            if (!library && any(Place::Library))
                kept += object(Place::Library);
            add(objectBytes(extensionId, std::string(o.content.substr(0, 18)) +
                                             asLittleEndian(static_cast<uint32_t>(kept.size())) + kept));
        } else {
            add(o.whole);
        }
    }
    if (!description && hasDescription_)
        add(object(Place::Description));
    if (!extended && any(Place::Extended))
        add(object(Place::Extended));
    if (!extension && any(Place::Library)) {
        const std::string library = object(Place::Library);
        add(objectBytes(extensionId, std::string(extensionReserved) +
                                         asLittleEndian(static_cast<uint32_t>(library.size())) + library));
    }
    const size_t old = bytes.size();
    if (out.size() + 24 <= old)
        add(objectBytes(paddingId, std::string(old - out.size() - 24, '\0')));
    else if (out.size() != old)
        add(objectBytes(paddingId, std::string(newRoom, '\0')));
    const auto by = static_cast<int64_t>(out.size()) - static_cast<int64_t>(old);
    if (by != 0) { // the length of the file stands in its properties
        size_t at = 0;
        const auto all = objectsIn(out);
        for (const Object& o : all ? *all : std::vector<Object>()) {
            if (o.id == fileId && o.content.size() >= 24) {
                const uint64_t size = little64(o.content.substr(16, 8));
                if (size == stream.size())
                    out.replace(at + 24 + 16, 8,
                                as64(static_cast<uint64_t>(static_cast<int64_t>(size) + by)));
                break;
            }
            at += o.whole.size();
        }
    }
    stream.replaceRange(30, old, out);
    stream.replaceRange(16, 12, as64(out.size() + 30) + asLittleEndian(objects));
    return Done{};
}

} // namespace moorfrost::tags
