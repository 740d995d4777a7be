// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/tags/mp4/item_list.h"

#include <algorithm>
#include <cstdlib>

#include <taglib/id3v1genres.h>

#include "core/base/numbers.h"
#include "core/tags/picture.h"
#include "core/tags/taglib_strings.h"
#include "core/text/encodings.h"
#include "core/text/text.h"

namespace moorfrost::tags {

namespace {

enum class Kind { Text, Pair, Integer, Flag };

struct Known {
    std::string_view name;
    std::string_view property;
    Kind kind;
};

const std::vector<Known>& knownItems() {
    static const std::vector<Known> table = {
        {"\251nam", "TITLE", Kind::Text},     {"\251ART", "ARTIST", Kind::Text},
        {"\251alb", "ALBUM", Kind::Text},     {"aART", "ALBUMARTIST", Kind::Text},
        {"\251day", "DATE", Kind::Text},      {"\251gen", "GENRE", Kind::Text},
        {"\251wrt", "COMPOSER", Kind::Text},  {"\251cmt", "COMMENT", Kind::Text},
        {"\251grp", "GROUPING", Kind::Text},  {"\251lyr", "LYRICS", Kind::Text},
        {"\251too", "ENCODEDBY", Kind::Text}, {"cprt", "COPYRIGHT", Kind::Text},
        {"sonm", "TITLESORT", Kind::Text},    {"soar", "ARTISTSORT", Kind::Text},
        {"soal", "ALBUMSORT", Kind::Text},    {"soaa", "ALBUMARTISTSORT", Kind::Text},
        {"soco", "COMPOSERSORT", Kind::Text}, {"trkn", "TRACKNUMBER", Kind::Pair},
        {"disk", "DISCNUMBER", Kind::Pair},   {"tmpo", "BPM", Kind::Integer},
        {"cpil", "COMPILATION", Kind::Flag},
    };
    return table;
}

/// The types of values ("well-known data types" of the QuickTime File Format).
constexpr uint32_t implicitType = 0, utf8Type = 1, utf16Type = 2, integerType = 21;
constexpr uint32_t jpegType = 13, pngType = 14, bmpType = 27;

struct Value {
    uint32_t type = 0;
    std::string_view bytes;
};

struct Atom {
    std::string_view id, content;
};

/// The atoms that follow each other in `bytes`; the last one may be cut, then `rest` has what is left.
std::vector<Atom> atomsIn(std::string_view bytes, std::string_view* rest = nullptr) {
    std::vector<Atom> out;
    while (bytes.size() >= 8) {
        const uint32_t length = bigEndian(bytes.substr(0, 4));
        if (length < 8 || length > bytes.size())
            break;
        out.push_back({bytes.substr(4, 4), bytes.substr(8, length - 8)});
        bytes.remove_prefix(length);
    }
    if (rest)
        *rest = bytes;
    return out;
}

std::string atom(std::string_view id, std::string_view content) {
    return asBigEndian(static_cast<uint32_t>(content.size() + 8), 4) + std::string(id) + std::string(content);
}

std::string dataAtom(uint32_t type, std::string_view bytes) {
    return atom("data", asBigEndian(type, 4) + std::string(4, '\0') + std::string(bytes));
}

std::vector<Value> valuesIn(std::string_view content) {
    std::vector<Value> out;
    for (const Atom& a : atomsIn(content))
        if (a.id == "data" && a.content.size() >= 8)
            out.push_back({bigEndian(a.content.substr(0, 4)) & 0xFFFFFF, a.content.substr(8)});
    return out;
}

/// "com.apple.iTunes" and "NAME" of a "----" atom.
std::pair<std::string, std::string> freeNames(std::string_view content) {
    std::pair<std::string, std::string> out;
    for (const Atom& a : atomsIn(content))
        if (a.content.size() >= 4) {
            if (a.id == "mean")
                out.first = a.content.substr(4);
            else if (a.id == "name")
                out.second = a.content.substr(4);
        }
    return out;
}

bool isTextType(const Value& v) {
    return v.type == utf8Type || v.type == utf16Type || (v.type == implicitType && text::isUtf8(v.bytes));
}

std::string textOf(const Value& v) {
    if (v.type == utf16Type)
        return text::fromUtf16(v.bytes, true);
    return text::isUtf8(v.bytes) ? std::string(v.bytes) : text::fromLatin1(v.bytes);
}

std::vector<std::string> said(const std::vector<Value>& values, Kind kind) {
    std::vector<std::string> out;
    for (const Value& v : values) {
        switch (kind) {
        case Kind::Text:
            if (isTextType(v))
                out.push_back(textOf(v));
            break;
        case Kind::Pair: {
            const uint32_t number = v.bytes.size() >= 4 ? bigEndian(v.bytes.substr(2, 2)) : 0;
            const uint32_t total = v.bytes.size() >= 6 ? bigEndian(v.bytes.substr(4, 2)) : 0;
            std::string value = number > 0 ? std::to_string(number) : "";
            if (total > 0)
                value += "/" + std::to_string(total);
            if (!value.empty())
                out.push_back(value);
            break;
        }
        case Kind::Integer:
            if (v.bytes.size() <= 4 && bigEndian(v.bytes) > 0)
                out.push_back(std::to_string(bigEndian(v.bytes)));
            break;
        case Kind::Flag:
            if (v.bytes == std::string_view("\1", 1))
                out.emplace_back("1");
            break;
        }
    }
    return out;
}

bool isTechnical(const std::string& property) {
    return property == "ITUNSMPB" || property == "ITUNNORM"; // facts of the encoding
}

TagItem itemOf(std::string bytes) {
    TagItem item{std::move(bytes), {}, {}};
    const std::string_view all = item.bytes;
    const std::string_view id = all.substr(4, 4), content = all.substr(8);
    const std::vector<Value> values = valuesIn(content);
    if (id == "free" || id == "skip" || id == "covr" || id == "pgap")
        return item;
    const std::string shown = "MP4 item " + text::fromLatin1(id);
    if (id == "----") {
        const auto [mean, name] = freeNames(content);
        const std::string property = text::upper(text::isUtf8(name) ? name : text::fromLatin1(name));
        const bool allText = !values.empty() && std::all_of(values.begin(), values.end(), isTextType);
        if (isTechnical(property))
            return item;
        if (allText && !property.empty())
            item.says[property] = said(values, Kind::Text);
        else
            item.unknown = shown + ":" + text::forDisplay(mean) + ":" + text::forDisplay(name);
        return item;
    }
    if (id == "gnre") { // the number of a genre of ID3v1, counted from 1
        const uint32_t number =
            values.size() == 1 && values[0].bytes.size() == 2 ? bigEndian(values[0].bytes) : 0;
        if (number > 0 && number < 256)
            item.says["GENRE"] = {utf8(TagLib::ID3v1::genre(static_cast<int>(number) - 1))};
        else
            item.unknown = shown;
        return item;
    }
    for (const Known& known : knownItems())
        if (id == known.name) {
            if (std::vector<std::string> v = said(values, known.kind); !v.empty())
                item.says[std::string(known.property)] = std::move(v);
            else if (known.kind == Kind::Text || values.empty())
                item.unknown = shown;
            return item;
        }
    item.unknown = shown;
    return item;
}

} // namespace

Mp4List Mp4List::parse(std::string_view bytes) {
    Mp4List out;
    std::string_view rest;
    size_t at = 0;
    for (const Atom& a : atomsIn(bytes, &rest)) {
        out.items_.push_back(itemOf(std::string(bytes.substr(at, a.content.size() + 8))));
        at += a.content.size() + 8;
    }
    out.tail_ = rest;
    return out;
}

std::string Mp4List::render() const {
    std::string out;
    for (const TagItem& item : items_)
        out += item.bytes;
    return out + tail_;
}

std::vector<Picture> Mp4List::pictures(bool withBytes) const {
    std::vector<Picture> out;
    for (const TagItem& item : items_)
        if (std::string_view(item.bytes).substr(4, 4) == "covr")
            for (const Value& v : valuesIn(std::string_view(item.bytes).substr(8)))
                out.push_back(makePicture("front cover", v.bytes, {}, {}, withBytes));
    return out;
}

std::optional<Picture> Mp4List::pictureOf(const TagItem& item, bool withBytes) const {
    if (std::string_view(item.bytes).substr(4, 4) == "covr")
        for (const Value& v : valuesIn(std::string_view(item.bytes).substr(8)))
            return makePicture("front cover", v.bytes, {}, {}, withBytes);
    return std::nullopt;
}

Result<bool> Mp4List::changePictures(const PictureChanges& changes, bool mayAdd) {
    const auto asked = changes.byType.find("front cover"); // whatever the type: there is no other
    if (asked == changes.byType.end())
        return false;
    const std::vector<PictureInfo> wanted = mayAdd ? asked->second : std::vector<PictureInfo>();
    auto isCovers = [](const TagItem& item) { return std::string_view(item.bytes).substr(4, 4) == "covr"; };
    // Each as it stands: with its own header.
    std::vector<std::pair<PictureInfo, std::string>> there;
    std::vector<std::string> others; // names and the like, which stay
    for (const TagItem& item : items_)
        if (isCovers(item))
            for (const Atom& a : atomsIn(std::string_view(item.bytes).substr(8))) {
                const std::string bytes = atom(a.id, a.content);
                if (a.id == "data" && a.content.size() >= 8)
                    there.emplace_back(makePicture("front cover", a.content.substr(8), {}, {}, false).info,
                                       bytes);
                else
                    others.push_back(bytes);
            }
    std::string content;
    size_t same = 0;
    for (size_t i = 0; i < wanted.size(); ++i) {
        const auto it =
            std::ranges::find_if(there, [&](const auto& t) { return isSamePicture(t.first, wanted[i]); });
        if (it != there.end()) {
            same += static_cast<size_t>(it - there.begin()) == i ? 1 : 0;
            content += it->second;
            continue;
        }
        auto picture = takePicture(changes, wanted[i]);
        if (!picture)
            return picture.error();
        const std::string& mime = picture->info.mime;
        content += dataAtom(mime == "image/png"   ? pngType
                            : mime == "image/bmp" ? bmpType
                                                  : jpegType,
                            picture->data);
    }
    if (same == there.size() && there.size() == wanted.size())
        return false;
    for (const std::string& bytes : others)
        content += bytes;
    const auto first = std::ranges::find_if(items_, isCovers);
    auto at = first - items_.begin();
    std::erase_if(items_, isCovers);
    if (!content.empty())
        items_.insert(items_.begin() + at, itemOf(atom("covr", content)));
    return true;
}

std::string Mp4List::freeText(std::string_view name) const {
    for (const TagItem& item : items_) {
        const std::string_view all = item.bytes;
        if (all.substr(4, 4) != "----" || freeNames(all.substr(8)).second != name)
            continue;
        const std::vector<Value> values = valuesIn(all.substr(8));
        return values.empty() ? std::string() : textOf(values.front());
    }
    return {};
}

Status Mp4List::set(const std::string& key, const std::vector<std::string>& values) {
    const std::string property = propertyOf(key);
    const auto known = std::find_if(knownItems().begin(), knownItems().end(),
                                    [&](const Known& k) { return k.property == property; });
    std::vector<TagItem> fresh;
    auto number = [](std::string_view s) { return std::strtoul(std::string(s).c_str(), nullptr, 10); };
    if (values.empty()) {
    } else if (known == knownItems().end()) {
        std::string mean = "com.apple.iTunes", name = property;
        if (const TagItem* carrier = carrierOf(key); carrier && carrier->bytes.substr(4, 4) == "----") {
            auto [storedMean, storedName] = freeNames(std::string_view(carrier->bytes).substr(8));
            mean = storedMean;
            name = freeName(key, storedName);
        }
        std::string content =
            atom("mean", std::string(4, '\0') + mean) + atom("name", std::string(4, '\0') + name);
        for (const std::string& v : values)
            content += dataAtom(utf8Type, v);
        fresh.push_back(itemOf(atom("----", content)));
    } else {
        std::string content;
        const std::string& v = values.front();
        const Error tooLarge{
            ErrorKind::Unsupported, {}, labelOf(key) + " can be at most 65535 in this format."};
        switch (known->kind) {
        case Kind::Text:
            for (const std::string& value : values)
                content += dataAtom(utf8Type, value);
            break;
        case Kind::Pair: {
            const size_t slash = v.find('/');
            const auto n = number(v), total = slash == std::string::npos ? 0 : number(v.substr(slash + 1));
            if (n > 0xFFFF || total > 0xFFFF)
                return tooLarge;
            content =
                dataAtom(implicitType, std::string(2, '\0') + asBigEndian(static_cast<uint32_t>(n), 2) +
                                           asBigEndian(static_cast<uint32_t>(total), 2) +
                                           (known->name == "trkn" ? std::string(2, '\0') : std::string()));
            break;
        }
        case Kind::Integer:
            if (number(v) > 0xFFFF)
                return tooLarge;
            content = dataAtom(integerType, asBigEndian(static_cast<uint32_t>(number(v)), 2));
            break;
        case Kind::Flag:
            content = dataAtom(integerType, std::string(1, v == "1" ? '\1' : '\0'));
            break;
        }
        fresh.push_back(itemOf(atom(known->name, content)));
    }
    replace(key, std::move(fresh));
    return Done{};
}

} // namespace moorfrost::tags
