// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/disc/toc.h"

#include <algorithm>
#include <cstdlib>
#include <sstream>

#include <fmt/format.h>

namespace moorfrost::disc {

bool Toc::hasAudio() const {
    return std::ranges::any_of(tracks, &TocTrack::audio);
}

std::string Toc::table() const {
    std::string out = std::to_string(tracks.size());
    for (const TocTrack& t : tracks)
        out += " " + std::to_string(t.start);
    return out + " " + std::to_string(leadOut);
}

Toc tocFromTable(const std::string& table) {
    std::istringstream in(table);
    int count = 0;
    Toc out;
    if (!(in >> count) || count < 1 || count > mostTracks)
        return {};
    int32_t before = -1;
    for (int i = 0; i <= count; ++i) {
        int32_t at = 0;
        if (!(in >> at) || at <= before || at > mostSectors)
            return {};
        before = at;
        if (i == count) {
            out.leadOut = at;
        } else {
            TocTrack track;
            track.number = i + 1;
            track.start = at;
            out.tracks.push_back(track);
        }
    }
    std::string more;
    if (in >> more)
        return {};
    for (size_t i = 0; i < out.tracks.size(); ++i)
        out.tracks[i].length =
            (i + 1 < out.tracks.size() ? out.tracks[i + 1].start : out.leadOut) - out.tracks[i].start;
    return out;
}

int32_t tableDistance(const Toc& a, const Toc& b) {
    if (a.tracks.size() != b.tracks.size() || a.tracks.empty())
        return -1;
    // Of pressings, pauses may be told otherwise: where tracks begin counts.
    auto place = [](const Toc& toc, size_t i) {
        return (i < toc.tracks.size() ? toc.tracks[i].start : toc.leadOut) - toc.tracks.front().start;
    };
    int32_t most = 0;
    for (size_t i = 0; i < a.tracks.size(); ++i)
        most = std::max(most, std::abs((place(a, i + 1) - place(a, i)) - (place(b, i + 1) - place(b, i))));
    return most;
}

std::string shownTime(int32_t sectors) {
    const int32_t seconds = (sectors + sectorsPerSecond / 2) / sectorsPerSecond;
    return seconds >= 3600 ? fmt::format("{}:{:02}:{:02}", seconds / 3600, seconds / 60 % 60, seconds % 60)
                           : fmt::format("{}:{:02}", seconds / 60, seconds % 60);
}

} // namespace moorfrost::disc
