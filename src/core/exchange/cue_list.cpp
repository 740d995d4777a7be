// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/exchange/cue_list.h"

#include <algorithm>

#include <fmt/format.h>

#include "core/text/text.h"

namespace moorfrost::exchange {

namespace {

std::string quoted(std::string text) {
    for (char& c : text)
        if (c == '"')
            c = '\'';
        else if (static_cast<unsigned char>(c) < 0x20)
            c = ' ';
    return "\"" + text + "\"";
}

const char* kindOf(const std::string& place) {
    const std::string ending = text::lower(Path(place).extension().native());
    return ending == ".mp3" ? "MP3" : ending == ".aiff" || ending == ".aif" ? "AIFF" : "WAVE";
}

} // namespace

std::string cueText(const Playlist& list) {
    std::string out;
    if (!list.title.empty())
        out += "TITLE " + quoted(list.title) + "\r\n";
    for (size_t i = 0; i < std::min(list.entries.size(), mostCueTracks); ++i) {
        const PlaylistEntry& entry = list.entries[i];
        out += fmt::format("FILE {} {}\r\n  TRACK {:02} AUDIO\r\n", quoted(entry.place), kindOf(entry.place),
                           i + 1);
        if (!entry.title.empty())
            out += "    TITLE " + quoted(entry.title) + "\r\n";
        if (!entry.artist.empty())
            out += "    PERFORMER " + quoted(entry.artist) + "\r\n";
        out += "    INDEX 01 00:00:00\r\n";
    }
    return out;
}

} // namespace moorfrost::exchange
