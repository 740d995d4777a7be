// SPDX-License-Identifier: GPL-3.0-or-later
// Playlists as other programs read and write them: M3U8 (one place a line, RFC 8216 has its encoding, lines
// that begin with "#EXTINF" tell length and title) and XSPF (version 1, xspf.org, "application/xspf+xml").
// Values in, text out; nothing here looks at a disk.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "core/base/result.h"

namespace moorfrost::exchange {

enum class PlaylistFormat { M3u8, Xspf };

struct PlaylistEntry {
    std::string place; // as it stands there: bytes of a path of any system, or an address
    std::string title, artist, album;
    double seconds = 0;      // 0: not told
    std::string essenceHash; // of its sound (audio/essence); "" where it is not told
    bool operator==(const PlaylistEntry&) const = default;
};

struct Playlist {
    std::string title; // "" where it has none
    std::vector<PlaylistEntry> entries;
    std::vector<std::string> notes; // sentences: what could not be read as it stands
};

/// By the ending of the name: .xspf, else M3U8.
PlaylistFormat playlistFormatOf(const Path& file);

/// What it is tells its content. Text in UTF-8, UTF-16 with a mark, or else Windows-1252. Damaged where it is
/// neither; too many entries (a million) or bytes (500 MB) are Unsupported.
Result<Playlist> readPlaylist(std::string_view bytes);
/// The same of a file; what is no regular file is refused.
Result<Playlist> readPlaylistFile(const Path& file);
std::string playlistText(const Playlist& playlist, PlaylistFormat format);
/// By the ending of the name. What is there already is replaced as a whole or not at all.
Status savePlaylist(const Playlist& playlist, const Path& file);

/// How places are told.
struct PlaceStyle {
    enum class Kind { Relative, Absolute, Rewritten };
    Kind kind = Kind::Relative;
    /// Rewritten: a path that begins with `from` begins with `to` instead, for another machine. Where `to`
    /// has backslashes, all slashes become backslashes.
    std::string from, to;
    bool operator==(const PlaceStyle&) const = default;
};
/// The place of a file in a playlist that lies in `folder`. Both absolute. Relative to another disk it climbs
/// out ("../../music/a.flac"), which all programs read.
std::string placeFor(const Path& file, const Path& folder, const PlaceStyle& style);

/// The path that a place tells, seen from the folder that the playlist lies in; "" for what is none (an
/// address on a network). Backslashes of another system are read as slashes where no path has them.
Path pathOfPlace(const std::string& place, const Path& folder);
/// Whether it is an address that is no file ("https:", "cdda:").
bool isAddress(std::string_view place);

} // namespace moorfrost::exchange
