// SPDX-License-Identifier: GPL-3.0-or-later
// Cue sheets: the text beside a disc image that tells its tracks. Read with our own parser, which takes what
// is found in the wild (a byte order mark, lower case, other encodings, several files) and refuses with the
// line what it cannot understand. The commands are those of the CDRWIN user's guide, appendix A, with the
// REM lines that programs agree on.
#pragma once

#include <map>
#include <string>
#include <string_view>
#include <vector>

#include "core/base/result.h"
#include "core/disc/toc.h"

namespace moorfrost::disc {

struct CueFile {
    std::string name; // as the sheet has it
    enum class Kind { Binary, BigEndian, Sound } kind = Kind::Sound;
    bool operator==(const CueFile&) const = default;
};

struct CueTrack {
    int number = 0;
    bool audio = true;
    int sectorBytes = bytesPerSector; // of data in a binary file
    size_t file = 0;                  // that index 1 is in
    struct Index {
        int number = 0;
        size_t file = 0;
        int32_t sector = 0; // from the beginning of that file
        bool operator==(const Index&) const = default;
    };
    std::vector<Index> indexes; // rising; 1 is always there
    int32_t pregap = 0;         // sectors of silence before and behind it that are in no file
    int32_t postgap = 0;
    bool preEmphasis = false, copyPermitted = false;
    std::string isrc;
    std::map<std::string, std::string> texts; // "title", "performer", "songwriter" ...; of REM, too
    bool operator==(const CueTrack&) const = default;
};

struct CueSheet {
    std::string mediaNumber;
    std::string cdTextFile;
    std::map<std::string, std::string> texts; // of the disc: "title", "performer", "genre", "date" ...
    std::vector<CueFile> files;
    std::vector<CueTrack> tracks;
    bool operator==(const CueSheet&) const = default;
};

/// At most 1 MB of text. An Error (Damaged) with the line for what makes no sense: more than 99 tracks,
/// numbers out of order, times that are negative or go back, a track without index 1 or without a file.
Result<CueSheet> readCueSheet(std::string_view bytes);
/// As UTF-8 text, to lie beside files.
std::string cueSheetText(const CueSheet& sheet);

} // namespace moorfrost::disc
