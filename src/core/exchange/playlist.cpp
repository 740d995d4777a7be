// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/exchange/playlist.h"

#include <algorithm>
#include <cmath>
#include <cstdlib>
#include <sstream>

#include <fcntl.h>
#include <sys/stat.h>
#include <unistd.h>

#include <fmt/format.h>
#include <pugixml.hpp>

#include "core/files/disk.h"
#include "core/text/text.h"

namespace moorfrost::exchange {

namespace {

constexpr size_t mostEntries = 1'000'000, mostBytes = 500'000'000, longestPlace = 100'000;
constexpr std::string_view essenceScheme = "urn:x-moorfrost-essence:";

Error damaged(std::string sentence) {
    return {ErrorKind::Damaged, {}, std::move(sentence)};
}

/// UTF-16 with a mark in front, or Windows-1252, as UTF-8.
std::string fromUtf16(std::string_view bytes, bool bigEndian) {
    std::string out;
    auto unit = [&](size_t i) {
        const auto a = static_cast<unsigned char>(bytes[i]), b = static_cast<unsigned char>(bytes[i + 1]);
        return static_cast<char32_t>(bigEndian ? a << 8 | b : b << 8 | a);
    };
    auto put = [&](char32_t c) {
        if (c < 0x80) {
            out += static_cast<char>(c);
        } else if (c < 0x800) {
            out += static_cast<char>(0xC0 | c >> 6);
            out += static_cast<char>(0x80 | (c & 0x3F));
        } else if (c < 0x10000) {
            out += static_cast<char>(0xE0 | c >> 12);
            out += static_cast<char>(0x80 | (c >> 6 & 0x3F));
            out += static_cast<char>(0x80 | (c & 0x3F));
        } else {
            out += static_cast<char>(0xF0 | c >> 18);
            out += static_cast<char>(0x80 | (c >> 12 & 0x3F));
            out += static_cast<char>(0x80 | (c >> 6 & 0x3F));
            out += static_cast<char>(0x80 | (c & 0x3F));
        }
    };
    for (size_t i = 2; i + 1 < bytes.size(); i += 2) {
        const char32_t c = unit(i);
        if (c >= 0xD800 && c < 0xDC00 && i + 3 < bytes.size() && unit(i + 2) >= 0xDC00 &&
            unit(i + 2) < 0xE000) {
            put(0x10000 + ((c - 0xD800) << 10) + (unit(i + 2) - 0xDC00));
            i += 2;
        } else {
            put(c >= 0xD800 && c < 0xE000 ? U'\uFFFD' : c);
        }
    }
    return out;
}

std::string fromWindows(std::string_view bytes) {
    static constexpr char16_t high[32] = {0x20AC, 0x81,   0x201A, 0x0192, 0x201E, 0x2026, 0x2020, 0x2021,
                                          0x02C6, 0x2030, 0x0160, 0x2039, 0x0152, 0x8D,   0x017D, 0x8F,
                                          0x90,   0x2018, 0x2019, 0x201C, 0x201D, 0x2022, 0x2013, 0x2014,
                                          0x02DC, 0x2122, 0x0161, 0x203A, 0x0153, 0x9D,   0x017E, 0x0178};
    std::string wide = "\xFF\xFE";
    for (const char c : bytes) {
        const auto b = static_cast<unsigned char>(c);
        const char16_t u = b >= 0x80 && b < 0xA0 ? high[b - 0x80] : b;
        wide += static_cast<char>(u & 0xFF);
        wide += static_cast<char>(u >> 8);
    }
    return fromUtf16(wide, false);
}

/// `place` bytes stay what they are where they are not UTF-8: a path on this disk may be so.
std::string shownText(std::string_view bytes) {
    return text::isUtf8(bytes) ? std::string(bytes) : fromWindows(bytes);
}

void readInfo(std::string_view line, PlaylistEntry& entry) {
    // "#EXTINF:123 key="value",Artist - Title"
    const size_t comma = line.find(',');
    entry.seconds = std::max(0.0, std::strtod(std::string(line.substr(0, comma)).c_str(), nullptr));
    if (!std::isfinite(entry.seconds) || entry.seconds > 1e8)
        entry.seconds = 0;
    if (comma == std::string_view::npos)
        return;
    const std::string rest = text::trim(shownText(line.substr(comma + 1)));
    const size_t dash = rest.find(" - ");
    entry.artist = dash == std::string::npos ? std::string() : text::trim(rest.substr(0, dash));
    entry.title = dash == std::string::npos ? rest : text::trim(rest.substr(dash + 3));
}

Result<Playlist> readM3u(std::string_view bytes) {
    Playlist out;
    PlaylistEntry next;
    size_t tooLong = 0;
    while (!bytes.empty()) {
        const size_t end = std::min(bytes.find_first_of("\r\n"), bytes.size());
        std::string_view line = bytes.substr(0, end);
        bytes.remove_prefix(std::min(end + 1, bytes.size()));
        while (!line.empty() && (line.back() == ' ' || line.back() == '\t'))
            line.remove_suffix(1);
        while (!line.empty() && (line.front() == ' ' || line.front() == '\t'))
            line.remove_prefix(1);
        if (line.empty())
            continue;
        if (line.find('\0') != std::string_view::npos)
            return damaged("This is no playlist: it is not text.");
        if (line.starts_with('#')) {
            if (line.starts_with("#EXTINF:"))
                readInfo(line.substr(8), next);
            else if (line.starts_with("#EXTALB:"))
                next.album = text::trim(shownText(line.substr(8)));
            else if (line.starts_with("#PLAYLIST:"))
                out.title = text::trim(shownText(line.substr(10)));
            continue;
        }
        if (line.size() > longestPlace) {
            ++tooLong;
        } else {
            next.place = std::string(line);
            out.entries.push_back(std::move(next));
        }
        next = {};
        if (out.entries.size() > mostEntries)
            return Error{ErrorKind::Unsupported, {}, "The playlist has more than a million entries."};
    }
    if (tooLong > 0)
        out.notes.push_back(fmt::format("{} lines are far too long for a path and were left out.", tooLong));
    return out;
}

bool isUnreserved(char c) {
    return (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || (c >= '0' && c <= '9') || c == '-' ||
           c == '.' || c == '_' || c == '~' || c == '/';
}

std::string percentEncoded(std::string_view bytes) {
    std::string out;
    for (const char c : bytes)
        if (isUnreserved(c))
            out += c;
        else
            out += fmt::format("%{:02X}", static_cast<unsigned char>(c));
    return out;
}

std::string percentDecoded(std::string_view text) {
    std::string out;
    for (size_t i = 0; i < text.size(); ++i) {
        const std::string byte = text[i] == '%' && i + 2 < text.size()
                                     ? text::fromHex(text::lower(text.substr(i + 1, 2)))
                                     : std::string();
        if (byte.size() == 1) {
            out += byte;
            i += 2;
        } else {
            out += text[i];
        }
    }
    return out;
}

bool isDriveLetter(std::string_view place) {
    return place.size() > 2 && std::isalpha(static_cast<unsigned char>(place[0])) && place[1] == ':' &&
           (place[2] == '\\' || place[2] == '/');
}

Result<Playlist> readXspf(std::string_view bytes) {
    pugi::xml_document document;
    // Nothing from elsewhere is ever read: there are no entities but those of XML itself.
    const pugi::xml_parse_result parsed = document.load_buffer(bytes.data(), bytes.size());
    if (!parsed)
        return damaged(fmt::format("The playlist is broken at byte {}: {}.",
                                   static_cast<long long>(parsed.offset), parsed.description()));
    const pugi::xml_node list = document.child("playlist");
    if (!list)
        return damaged("This is no playlist: it has no <playlist>.");
    auto textOf = [](const pugi::xml_node& node, const char* name) {
        return text::trim(shownText(node.child(name).text().get()));
    };
    Playlist out;
    out.title = textOf(list, "title");
    size_t without = 0;
    for (const pugi::xml_node& track : list.child("trackList").children("track")) {
        PlaylistEntry entry;
        entry.place = textOf(track, "location");
        if (!isAddress(entry.place) && !entry.place.starts_with("file:"))
            entry.place = percentDecoded(entry.place);
        entry.title = textOf(track, "title");
        entry.artist = textOf(track, "creator");
        entry.album = textOf(track, "album");
        entry.seconds = std::clamp(track.child("duration").text().as_double() / 1000, 0.0, 1e8);
        for (const pugi::xml_node& id : track.children("identifier"))
            if (const std::string_view text = id.text().get(); text.starts_with(essenceScheme))
                entry.essenceHash = text.substr(essenceScheme.size());
        if (entry.place.size() > longestPlace)
            entry.place.clear();
        without += entry.place.empty() && entry.title.empty() && entry.essenceHash.empty() ? 1 : 0;
        out.entries.push_back(std::move(entry));
        if (out.entries.size() > mostEntries)
            return Error{ErrorKind::Unsupported, {}, "The playlist has more than a million entries."};
    }
    std::erase_if(out.entries, [](const PlaylistEntry& e) {
        return e.place.empty() && e.title.empty() && e.essenceHash.empty();
    });
    if (without > 0)
        out.notes.push_back(fmt::format("{} entries tell neither a place nor a title.", without));
    return out;
}

/// A line of an M3U8 that every program takes for this place.
std::string linePlace(const std::string& place) {
    const bool plain = place.find_first_of(std::string_view("\r\n", 2)) == std::string::npos &&
                       !place.starts_with('#') && text::trim(place) == place;
    if (plain)
        return place;
    if (place.starts_with('#') && linePlace("./" + place) == "./" + place)
        return "./" + place;
    return place.starts_with('/') ? "file://" + percentEncoded(place) : percentEncoded(place);
}

std::string addressOf(const std::string& place) {
    if (isAddress(place) || place.starts_with("file:"))
        return place;
    if (isDriveLetter(place))
        return "file:///" + percentEncoded(text::replaceAll(place, "\\", "/"));
    if (place.starts_with('/'))
        return "file://" + percentEncoded(place);
    return percentEncoded(text::replaceAll(place, "\\", "/"));
}

std::string oneLine(std::string text) {
    std::ranges::replace_if(
        text, [](char c) { return c == '\r' || c == '\n'; }, ' ');
    return text;
}

/// XML has no place for most control characters.
std::string forXml(const std::string& text) {
    std::string out = text::isUtf8(text) ? text : shownText(text);
    std::erase_if(out, [](char c) {
        return static_cast<unsigned char>(c) < 0x20 && c != '\t' && c != '\n' && c != '\r';
    });
    return out;
}

} // namespace

PlaylistFormat playlistFormatOf(const Path& file) {
    return text::lower(file.extension().native()) == ".xspf" ? PlaylistFormat::Xspf : PlaylistFormat::M3u8;
}

Result<Playlist> readPlaylist(std::string_view bytes) {
    if (bytes.size() > mostBytes)
        return Error{ErrorKind::Unsupported, {}, "The playlist is larger than 500 MB."};
    std::string turned;
    if (bytes.starts_with("\xEF\xBB\xBF")) {
        bytes.remove_prefix(3);
    } else if (bytes.starts_with("\xFF\xFE") || bytes.starts_with("\xFE\xFF")) {
        turned = fromUtf16(bytes, bytes[0] == '\xFE');
        bytes = turned;
    }
    const size_t first = bytes.find_first_not_of(" \t\r\n");
    const bool isXml = first != std::string_view::npos && bytes[first] == '<';
    return isXml ? readXspf(bytes) : readM3u(bytes);
}

Result<Playlist> readPlaylistFile(const Path& file) {
    const auto fail = [&](const char* why) {
        return Error{ErrorKind::Io, file.native(),
                     "\"" + text::forDisplay(file.filename().native()) + "\" cannot be read: " + why};
    };
    const int fd = ::open(file.c_str(), O_RDONLY | O_CLOEXEC | O_NONBLOCK);
    struct stat st {};
    if (fd < 0 || ::fstat(fd, &st) != 0 || !S_ISREG(st.st_mode)) {
        const int error = errno;
        if (fd >= 0)
            ::close(fd);
        return fail(fd < 0 ? std::strerror(error) : "it is no file");
    }
    std::string bytes;
    char some[65536];
    ssize_t n = 0;
    while ((n = ::read(fd, some, sizeof some)) > 0 && bytes.size() <= mostBytes)
        bytes.append(some, static_cast<size_t>(n));
    const int error = n < 0 ? errno : 0;
    ::close(fd);
    if (error != 0)
        return fail(std::strerror(error));
    return readPlaylist(bytes);
}

std::string playlistText(const Playlist& playlist, PlaylistFormat format) {
    if (format == PlaylistFormat::M3u8) {
        std::string out = "#EXTM3U\n";
        if (!playlist.title.empty())
            out += "#PLAYLIST:" + oneLine(playlist.title) + "\n";
        for (const PlaylistEntry& e : playlist.entries) {
            if (!e.title.empty())
                out += fmt::format("#EXTINF:{},{}\n", e.seconds > 0 ? std::lround(e.seconds) : -1,
                                   oneLine(e.artist.empty() ? e.title : e.artist + " - " + e.title));
            if (!e.album.empty())
                out += "#EXTALB:" + oneLine(e.album) + "\n";
            out += linePlace(e.place) + "\n";
        }
        return out;
    }
    pugi::xml_document document;
    pugi::xml_node declaration = document.append_child(pugi::node_declaration);
    declaration.append_attribute("version") = "1.0";
    declaration.append_attribute("encoding") = "UTF-8";
    pugi::xml_node list = document.append_child("playlist");
    list.append_attribute("version") = "1";
    list.append_attribute("xmlns") = "http://xspf.org/ns/0/";
    if (!playlist.title.empty())
        list.append_child("title").text().set(forXml(playlist.title).c_str());
    pugi::xml_node tracks = list.append_child("trackList");
    for (const PlaylistEntry& e : playlist.entries) {
        pugi::xml_node track = tracks.append_child("track");
        auto put = [&](const char* name, const std::string& value) {
            if (!value.empty())
                track.append_child(name).text().set(forXml(value).c_str());
        };
        put("location", addressOf(e.place));
        if (!e.essenceHash.empty())
            put("identifier", std::string(essenceScheme) + e.essenceHash);
        put("title", e.title);
        put("creator", e.artist);
        put("album", e.album);
        if (e.seconds > 0)
            put("duration", std::to_string(std::llround(e.seconds * 1000)));
    }
    std::ostringstream out;
    document.save(out, "  ", pugi::format_default, pugi::encoding_utf8);
    return out.str();
}

Status savePlaylist(const Playlist& playlist, const Path& file) {
    return files::writeWhole(file, playlistText(playlist, playlistFormatOf(file)));
}

std::string placeFor(const Path& file, const Path& folder, const PlaceStyle& style) {
    switch (style.kind) {
    case PlaceStyle::Kind::Relative:
        return file.lexically_relative(folder).native();
    case PlaceStyle::Kind::Absolute:
        return file.native();
    case PlaceStyle::Kind::Rewritten:
        break;
    }
    std::string out = file.native();
    std::string from = style.from, to = style.to;
    while (from.size() > 1 && from.back() == '/')
        from.pop_back();
    if (!from.empty() && out.starts_with(from) &&
        (out.size() == from.size() || out[from.size()] == '/' || from.back() == '/')) {
        while (!to.empty() && (to.back() == '/' || to.back() == '\\') && to.size() > 1)
            to.pop_back();
        out = to + out.substr(from == "/" ? 0 : from.size());
    }
    return to.find('\\') == std::string::npos ? out : text::replaceAll(out, "/", "\\");
}

bool isAddress(std::string_view place) {
    if (isDriveLetter(place) || place.starts_with("file:"))
        return false;
    const size_t colon = place.find(':');
    return colon != std::string_view::npos && colon > 1 && place.substr(colon).starts_with("://") &&
           std::ranges::all_of(place.substr(0, colon), [](char c) {
               return std::isalnum(static_cast<unsigned char>(c)) || c == '+' || c == '-' || c == '.';
           });
}

Path pathOfPlace(const std::string& place, const Path& folder) {
    std::string path = place;
    if (isAddress(path) || path.find('\0') != std::string::npos)
        return {};
    const bool wasAddress = path.starts_with("file:");
    if (wasAddress) {
        path = path.substr(5);
        if (path.starts_with("//")) { // whose disk it is: only ours can be read
            const size_t slash = path.find('/', 2);
            path = slash == std::string::npos ? std::string() : path.substr(slash);
        }
        path = percentDecoded(path);
        if (path.find('\0') != std::string::npos)
            return {};
        if (path.size() > 3 && isDriveLetter(std::string_view(path).substr(1)))
            path.erase(0, 1);
    }
    if (path.find('\\') != std::string::npos && (isDriveLetter(path) || path.find('/') == std::string::npos))
        std::ranges::replace(path, '\\', '/');
    if (path.empty())
        return {};
    const Path made(path);
    return (made.is_absolute() || isDriveLetter(path) ? made : folder / made).lexically_normal();
}

} // namespace moorfrost::exchange
