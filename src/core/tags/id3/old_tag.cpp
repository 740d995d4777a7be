// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/tags/id3/old_tag.h"

#include <algorithm>
#include <cstdlib>

#include <taglib/id3v1genres.h>

#include "core/tags/taglib_strings.h"
#include "core/text/encodings.h"
#include "core/text/text.h"

namespace moorfrost::tags {

namespace {

struct Slot {
    const char* key;
    size_t from, length;
};
constexpr Slot slots[] = {{"title", 3, 30}, {"artist", 33, 30}, {"album", 63, 30}, {"date", 93, 4}};
constexpr size_t commentFrom = 97, zeroAt = 125, trackAt = 126, genreAt = 127;

std::string textIn(const std::string& bytes, size_t from, size_t length) {
    std::string v = bytes.substr(from, length);
    v = v.substr(0, v.find('\0'));
    return text::trim(text::fromLatin1(v));
}

/// In Latin-1, with the closest letters for others, cut to `length` and filled with zeros.
std::string fitted(const std::string& value, size_t length) {
    std::string bytes;
    if (auto exact = text::toLatin1(value))
        bytes = *exact;
    else
        bytes = text::plainLetters(value);
    bytes.resize(length, '\0');
    return bytes;
}

} // namespace

Id3v1Tag::Id3v1Tag(std::string bytes) : bytes_(std::move(bytes)) {
    bytes_.resize(length, '\0');
    read();
}

void Id3v1Tag::read() {
    items_.clear();
    auto add = [&](const std::string& key, const std::string& value, size_t from, size_t n) {
        TagItem item{bytes_.substr(from, n), {}, {}};
        // Also where it is blank: this is its place.
        std::vector<std::string>& values = item.says[propertyOf(key)];
        if (!value.empty())
            values.push_back(value);
        items_.push_back(std::move(item));
    };
    for (const Slot& s : slots) {
        std::string value = textIn(bytes_, s.from, s.length);
        if (s.key == std::string_view("date") && value == "0")
            value.clear();
        add(s.key, value, s.from, s.length);
    }
    const size_t commentLength = hasTrackByte() ? 28 : 30;
    add("comment", textIn(bytes_, commentFrom, commentLength), commentFrom, commentLength);
    const auto track = static_cast<uint8_t>(bytes_[trackAt]);
    add("track", hasTrackByte() && track > 0 ? std::to_string(track) : std::string(),
        hasTrackByte() ? zeroAt : trackAt, hasTrackByte() ? 2 : 0);
    const auto genre = static_cast<uint8_t>(bytes_[genreAt]);
    add("genre", genre == 255 ? std::string() : utf8(TagLib::ID3v1::genre(genre)), genreAt, 1);
}

Status Id3v1Tag::set(const std::string& key, const std::vector<std::string>& values) {
    const std::string value = values.empty() ? std::string() : values.front();
    for (const Slot& s : slots)
        if (key == s.key)
            bytes_.replace(s.from, s.length, fitted(value, s.length));
    if (key == "comment") {
        const size_t n = hasTrackByte() ? 28 : 30;
        bytes_.replace(commentFrom, n, fitted(value, n));
    } else if (key == "genre") {
        bytes_[genreAt] = static_cast<char>(value.empty() ? 255 : TagLib::ID3v1::genreIndex(wide(value)));
    }
    read();
    return Done{};
}

Status Id3v1Tag::setPair(const std::string& numberKey, const std::string& number, const std::string&,
                         const std::string&) {
    const long n = std::strtol(number.c_str(), nullptr, 10);
    // A comment of 30 bytes has the place of the number: it is not cut for it.
    if (numberKey == "track" && hasTrackByte())
        bytes_[trackAt] = static_cast<char>(n > 0 && n <= 255 ? n : 0);
    read();
    return Done{};
}

} // namespace moorfrost::tags
