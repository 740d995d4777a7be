// SPDX-License-Identifier: GPL-3.0-or-later
// The ICC profile (ICC.1:2022) as JPEG (APP2 segments) and PNG (iCCP, sRGB chunks) carry it.
#include "core/tags/colour_profile.h"

#include <algorithm>
#include <cstdint>

#include "core/text/text.h"

namespace moorfrost::tags {

namespace {

uint32_t big(std::string_view s, size_t at, size_t bytes) {
    uint32_t out = 0;
    for (size_t i = 0; i < bytes; ++i)
        out = out << 8 | (at + i < s.size() ? static_cast<unsigned char>(s[at + i]) : 0u);
    return out;
}

/// A name for people, or nothing.
std::string readable(std::string_view raw) {
    const std::string text = text::trim(std::string(raw.substr(0, raw.find('\0'))));
    const bool plain = text::isUtf8(text) &&
                       std::ranges::all_of(text, [](char c) { return static_cast<unsigned char>(c) >= 32; });
    return plain ? text::firstCharacters(text, 60) : std::string();
}

std::string profileName(std::string_view icc) {
    if (icc.size() < 132)
        return {};
    const size_t count = std::min<size_t>(big(icc, 128, 4), 100);
    for (size_t i = 0; i < count; ++i) {
        const size_t entry = 132 + i * 12;
        if (entry + 12 > icc.size() || icc.substr(entry, 4) != "desc")
            continue;
        const size_t at = big(icc, entry + 4, 4), size = big(icc, entry + 8, 4);
        if (at >= icc.size() || size < 12)
            return {};
        const std::string_view tag = icc.substr(at, size);
        if (tag.starts_with("desc"))
            return readable(tag.substr(std::min<size_t>(12, tag.size()), big(tag, 8, 4)));
        if (tag.starts_with("mluc") && big(tag, 8, 4) > 0) {
            const size_t length = big(tag, 20, 4), from = big(tag, 24, 4); // of the first language, UTF-16
            std::string text;
            for (size_t c = 0; c + 1 < std::min<size_t>(length, 200) && from + c + 1 < tag.size(); c += 2)
                if (const uint32_t unit = big(tag, from + c, 2); unit >= 32 && unit < 127)
                    text += static_cast<char>(unit);
            return readable(text);
        }
        return {};
    }
    return {};
}

std::string ofJpeg(std::string_view s) {
    std::string name, colours;
    for (size_t at = 2; at + 4 <= s.size() && static_cast<unsigned char>(s[at]) == 0xFF;) {
        const auto marker = static_cast<unsigned char>(s[at + 1]);
        const size_t length = big(s, at + 2, 2);
        if (marker == 0xDA || length < 2) // the picture itself
            break;
        const std::string_view body = s.substr(at + 4, length - 2);
        if (marker == 0xE2 && body.starts_with(std::string_view("ICC_PROFILE\0", 12)) && body.size() > 14 &&
            body[12] == 1)
            name = profileName(body.substr(14));
        const bool frame =
            marker >= 0xC0 && marker <= 0xCF && marker != 0xC4 && marker != 0xC8 && marker != 0xCC;
        if (frame && body.size() > 5)
            colours = body[5] == 4 ? "CMYK" : body[5] == 1 ? "grey" : "";
        at += 2 + length;
    }
    return colours.empty() ? name : name.empty() ? colours : colours + ", " + name;
}

std::string ofPng(std::string_view s) {
    for (size_t at = 8; at + 12 <= s.size();) {
        const size_t length = big(s, at, 4);
        const std::string_view kind = s.substr(at + 4, 4),
                               body = s.substr(at + 8, std::min(length, s.size()));
        if (kind == "sRGB")
            return "sRGB";
        if (kind == "iCCP") // its name stands before the packed profile
            return readable(body.substr(0, 80));
        if (kind == "IDAT" || length > s.size())
            break;
        at += 12 + length;
    }
    return {};
}

} // namespace

std::string colourProfile(std::string_view picture) {
    if (picture.starts_with("\xFF\xD8"))
        return ofJpeg(picture);
    if (picture.starts_with("\x89PNG\r\n\x1A\n"))
        return ofPng(picture);
    return {};
}

} // namespace moorfrost::tags
