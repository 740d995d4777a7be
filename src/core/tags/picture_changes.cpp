// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/tags/picture_changes.h"

#include <algorithm>
#include <charconv>

#include <fmt/format.h>

#include "core/text/text.h"

namespace moorfrost::tags {

using audio::Format;

namespace {

constexpr std::string_view prefix = "@picture:";

template<class Number>
bool takeNumber(std::string_view& text, Number& number, char end, int base = 10) {
    const size_t at = end == '\0' ? text.size() : text.find(end);
    if (at == std::string_view::npos)
        return false;
    const auto [stop, error] = std::from_chars(text.data(), text.data() + at, number, base);
    if (error != std::errc() || stop != text.data() + at)
        return false;
    text.remove_prefix(std::min(text.size(), at + 1));
    return true;
}

std::string kindName(const std::string& mime) {
    return mime.starts_with("image/") ? text::upper(mime.substr(6)) : "of an unknown kind";
}

bool isApe(Format format) {
    return format == Format::WavPack || format == Format::MonkeysAudio || format == Format::Musepack;
}

} // namespace

const std::vector<std::string>& pictureTypes() {
    static const std::vector<std::string> names = {
        "other",        "file icon",       "other file icon", "front cover", "back cover",     "booklet page",
        "medium",       "lead artist",     "artist",          "conductor",   "band",           "composer",
        "lyricist",     "recording place", "recording",       "performance", "screen capture", "fish",
        "illustration", "artist logo",     "publisher logo"};
    return names;
}

int pictureTypeNumber(std::string_view name) {
    const auto it = std::ranges::find(pictureTypes(), name);
    return it == pictureTypes().end() ? -1 : static_cast<int>(it - pictureTypes().begin());
}

std::string pictureTypeFrom(std::string_view typed) {
    if (pictureTypeNumber(typed) >= 0)
        return std::string(typed);
    const std::string first = std::string(typed) + ' ';
    const auto it =
        std::ranges::find_if(pictureTypes(), [&](const std::string& t) { return t.starts_with(first); });
    return typed.empty() || it == pictureTypes().end() ? std::string() : *it;
}

std::string pictureKey(std::string_view type) {
    return std::string(prefix) + std::string(type);
}

bool isPictureKey(std::string_view key) {
    return key.starts_with(prefix);
}

std::string pictureTypeOf(std::string_view key) {
    return isPictureKey(key) ? std::string(key.substr(prefix.size())) : std::string();
}

std::string pictureText(const PictureInfo& p) {
    std::string mime = p.mime.empty() ? "-" : p.mime; // a tag may call it anything
    for (char& c : mime)
        c = static_cast<unsigned char>(c) <= ' ' ? '_' : c;
    if (!text::isUtf8(mime))
        mime = "-";
    return fmt::format("{} {}x{} {} {:016x} {}", mime, p.width, p.height, p.bytes, p.hash, p.description);
}

std::optional<PictureInfo> pictureFromText(std::string_view type, std::string_view text) {
    PictureInfo out;
    out.type = type;
    const size_t space = text.find(' ');
    if (space == std::string_view::npos || space == 0)
        return std::nullopt;
    out.mime = text.substr(0, space);
    if (out.mime == "-")
        out.mime.clear();
    text.remove_prefix(space + 1);
    const size_t before = text.rfind(' ');
    if (before == std::string_view::npos || !takeNumber(text, out.width, 'x') ||
        !takeNumber(text, out.height, ' ') || !takeNumber(text, out.bytes, ' ') ||
        !takeNumber(text, out.hash, ' ', 16) || out.width < 0 || out.height < 0)
        return std::nullopt;
    out.description = text;
    return out;
}

Fields pictureFields(const std::vector<PictureInfo>& pictures) {
    Fields out;
    for (const PictureInfo& p : pictures)
        out[pictureKey(p.type)].push_back(pictureText(p));
    return out;
}

std::vector<PictureInfo> picturesIn(const Fields& fields) {
    std::vector<PictureInfo> out;
    for (const auto& [key, values] : fields)
        if (isPictureKey(key))
            for (const std::string& v : values)
                if (auto picture = pictureFromText(pictureTypeOf(key), v))
                    out.push_back(std::move(*picture));
    return out;
}

Fields withoutPictures(const Fields& fields) {
    Fields out;
    for (const auto& [key, values] : fields)
        if (!isPictureKey(key))
            out.emplace(key, values);
    return out;
}

std::vector<PictureInfo> appliedPictures(const std::vector<PictureInfo>& pictures, const Fields& changes) {
    std::vector<PictureInfo> out;
    for (const PictureInfo& p : pictures)
        if (!changes.contains(pictureKey(p.type)))
            out.push_back(p);
    std::vector<PictureInfo> fresh = picturesIn(changes);
    // The front cover comes first: it is what most programs show.
    std::stable_partition(fresh.begin(), fresh.end(),
                          [](const PictureInfo& p) { return p.type == "front cover"; });
    const bool front = !fresh.empty() && fresh.front().type == "front cover";
    out.insert(front ? out.begin() : out.end(), fresh.begin(), fresh.end());
    return out;
}

Result<PictureChanges> pictureChangesOf(const Fields& changes, PictureBytes bytes) {
    PictureChanges out;
    out.bytes = std::move(bytes);
    for (const auto& [key, values] : changes) {
        if (!isPictureKey(key))
            continue;
        const std::string type = pictureTypeOf(key);
        if (pictureTypeNumber(type) < 0)
            return Error{ErrorKind::Invalid, {}, "There is no type of picture named \"" + type + "\"."};
        std::vector<PictureInfo>& list = out.byType[type];
        for (const std::string& v : values) {
            auto picture = pictureFromText(type, v);
            if (!picture)
                return Error{ErrorKind::Invalid, {}, "This does not tell a picture: \"" + v + "\"."};
            list.push_back(std::move(*picture));
        }
    }
    return out;
}

std::string whyNotHeld(Format format, const std::string& type, const std::vector<PictureInfo>& pictures) {
    constexpr uint64_t mostInBlock = (16u << 20) - 4096; // the length of a block has 24 bits
    for (const PictureInfo& p : pictures) {
        if (format == Format::Mp4 && type != "front cover")
            return "An MP4 file holds front covers only; it has no place for a picture of the type \"" +
                   type + "\".";
        if (format == Format::Mp4 && p.mime != "image/jpeg" && p.mime != "image/png" && p.mime != "image/bmp")
            return "An MP4 file holds JPEG, PNG and BMP pictures; this one is " + kindName(p.mime) + ".";
        if ((format == Format::Flac) && p.bytes > mostInBlock)
            return fmt::format("A picture in a FLAC file can have at most 16 MB; this one has {}.",
                               (p.bytes + 999999) / 1000000);
    }
    if (isApe(format) && pictures.size() > 1)
        return "A file of this format holds one picture of each type.";
    return {};
}

PictureInfo asHeldBy(Format format, PictureInfo picture) {
    if (format == Format::Mp4) {
        picture.description.clear();
    } else if (isApe(format)) { // what stands there is taken for the name of a file by others
        const std::string ending = picture.mime == "image/jpeg"         ? "jpg"
                                   : picture.mime.starts_with("image/") ? picture.mime.substr(6)
                                                                        : "bin";
        if (!picture.description.ends_with("." + ending))
            picture.description = picture.type + "." + ending;
    }
    return picture;
}

} // namespace moorfrost::tags
