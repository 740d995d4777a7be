// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/tags/picture.h"

#include <xxhash.h>

#include "core/tags/picture_changes.h"

namespace moorfrost::tags {

namespace {

int number(std::string_view d, size_t at, size_t n, bool bigEndian) {
    if (at + n > d.size())
        return 0;
    unsigned v = 0;
    for (size_t i = 0; i < n; ++i)
        v = v << 8 | static_cast<unsigned char>(d[at + (bigEndian ? i : n - 1 - i)]);
    return static_cast<int>(v & 0x7FFFFFFF);
}

PictureSize jpegSize(std::string_view d) {
    for (size_t at = 2; at + 9 < d.size();) {
        if (static_cast<unsigned char>(d[at]) != 0xFF)
            return {};
        auto marker = static_cast<unsigned char>(d[at + 1]);
        if (marker == 0xFF) {
            ++at;
            continue;
        }
        bool frame = marker >= 0xC0 && marker <= 0xCF && marker != 0xC4 && marker != 0xC8 && marker != 0xCC;
        if (frame)
            return {number(d, at + 7, 2, true), number(d, at + 5, 2, true)};
        at += 2 + static_cast<size_t>(number(d, at + 2, 2, true));
    }
    return {};
}

} // namespace

std::string pictureMime(std::string_view d) {
    if (d.starts_with("\xFF\xD8\xFF"))
        return "image/jpeg";
    if (d.starts_with("\x89PNG\r\n"))
        return "image/png";
    if (d.starts_with("GIF8"))
        return "image/gif";
    if (d.starts_with("BM"))
        return "image/bmp";
    if (d.size() > 12 && d.starts_with("RIFF") && d.substr(8, 4) == "WEBP")
        return "image/webp";
    return {};
}

PictureSize pictureSize(std::string_view d) {
    std::string mime = pictureMime(d);
    if (mime == "image/jpeg")
        return jpegSize(d);
    if (mime == "image/png")
        return {number(d, 16, 4, true), number(d, 20, 4, true)};
    if (mime == "image/gif")
        return {number(d, 6, 2, false), number(d, 8, 2, false)};
    if (mime == "image/bmp")
        return {number(d, 18, 4, false), number(d, 22, 4, false)};
    if (mime == "image/webp" && d.substr(12, 4) == "VP8X")
        return {number(d, 24, 3, false) + 1, number(d, 27, 3, false) + 1};
    if (mime == "image/webp" && d.substr(12, 4) == "VP8 ")
        return {number(d, 26, 2, false) & 0x3FFF, number(d, 28, 2, false) & 0x3FFF};
    return {};
}

bool isWholePicture(std::string_view d) {
    const std::string mime = pictureMime(d);
    if (mime == "image/jpeg") // some programs write more behind the end
        return d.rfind("\xFF\xD9") != std::string_view::npos;
    if (mime == "image/gif")
        return d.find_last_of('\x3B') != std::string_view::npos && d.find_last_of('\x3B') + 4096 > d.size();
    if (mime == "image/bmp")
        return d.size() >= static_cast<size_t>(number(d, 2, 4, false));
    if (mime == "image/webp")
        return d.size() >= 8 + static_cast<size_t>(number(d, 4, 4, false));
    if (mime != "image/png")
        return false;
    for (size_t at = 8; at + 12 <= d.size();) {
        if (d.substr(at + 4, 4) == "IEND")
            return true;
        at += 12 + static_cast<size_t>(number(d, at, 4, true));
    }
    return false;
}

bool isAnimated(std::string_view d) {
    const std::string mime = pictureMime(d);
    return (mime == "image/gif" && d.find("NETSCAPE2.0") != std::string_view::npos) ||
           (mime == "image/png" && d.substr(0, 4096).find("acTL") != std::string_view::npos) ||
           (mime == "image/webp" && d.substr(0, 4096).find("ANIM") != std::string_view::npos);
}

std::string pictureTypeName(int type) {
    const auto& names = pictureTypes();
    return type >= 0 && type < static_cast<int>(names.size()) ? names[static_cast<size_t>(type)] : "other";
}

Picture makePicture(const std::string& type, std::string_view data, const std::string& mime,
                    const std::string& description, bool withBytes, PictureSize size) {
    const PictureSize read = pictureSize(data);
    const std::string byContent = pictureMime(data);
    Picture out;
    out.info = {type,
                byContent.empty() ? mime : byContent,
                description,
                read.width ? read.width : size.width,
                read.height ? read.height : size.height,
                data.size(),
                XXH3_64bits(data.data(), data.size())};
    if (withBytes)
        out.data.assign(data);
    return out;
}

} // namespace moorfrost::tags
