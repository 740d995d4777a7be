// SPDX-License-Identifier: GPL-3.0-or-later
// The table of contents of a compact disc. Places are in sectors of 1/75 second from where the sound of the
// disc begins (its first 150 sectors, a lead of two seconds, are not counted).
#pragma once

#include <cstdint>
#include <string>
#include <vector>

namespace moorfrost::disc {

inline constexpr int sectorsPerSecond = 75;
inline constexpr int framesPerSector = 588; // of a sample of each channel, 44,100 a second
inline constexpr int bytesPerSector = 2352; // 16 bit, two channels
inline constexpr int mostTracks = 99;
inline constexpr int32_t mostSectors = 100 * 60 * sectorsPerSecond; // more than any disc holds

struct TocTrack {
    int number = 0;     // 1 to 99, as on the disc
    bool audio = true;  // else data
    int32_t start = 0;  // where it begins (its index 1)
    int32_t gap = 0;    // sectors of the pause before `start` that belong to it
    int32_t length = 0; // sectors, to where the next one's pause begins
    bool preEmphasis = false;
    bool copyPermitted = false;
    std::string isrc; // "" where the disc has none
    bool operator==(const TocTrack&) const = default;
};

struct Toc {
    std::vector<TocTrack> tracks; // at least one, each behind the one before
    int32_t leadOut = 0;          // where the last one ends
    std::string mediaNumber;      // the EAN of the disc, 13 digits; "" where it has none
    bool operator==(const Toc&) const = default;

    /// Sectors before track 1, where sound may be hidden; 0: it begins at once.
    int32_t beforeFirst() const { return tracks.empty() ? 0 : tracks.front().start; }
    bool hasAudio() const;
    /// In one line, to be asked for: the number of tracks, where each begins, and the lead-out:
    /// "4 0 16575 35175 48300 72300". Data tracks count.
    std::string table() const;
};

/// The reverse of Toc::table(); no tracks if it is none.
Toc tocFromTable(const std::string& table);

/// The largest difference between the lengths of the tracks of two tables, in sectors; -1 where they have
/// other numbers of tracks. 0: the same table, wherever it begins.
int32_t tableDistance(const Toc& a, const Toc& b);

/// "3:41", of sectors.
std::string shownTime(int32_t sectors);

} // namespace moorfrost::disc
