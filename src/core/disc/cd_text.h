// SPDX-License-Identifier: GPL-3.0-or-later
// CD-TEXT: what a disc itself says, in packs of 18 bytes, in up to eight languages. Decoded by us: packs with
// a wrong checksum are left out and told of. After IEC 61866 and the MMC-3 working draft, annex J.
#pragma once

#include <map>
#include <string>
#include <string_view>
#include <vector>

namespace moorfrost::disc {

/// What the disc (track 0) or a track is called.
struct CdTextEntry {
    std::map<std::string, std::string> texts; // "title", "performer", "songwriter", "composer", "arranger",
                                              // "message"
    std::string code;                         // ISRC of a track, EAN of the disc
    bool operator==(const CdTextEntry&) const = default;
};

struct CdTextBlock {
    std::string language; // as a language code ("en"); "" where the disc does not say
    std::string genre;
    std::string discId; // the catalogue number that the label gave
    std::map<int, CdTextEntry> entries;
    bool operator==(const CdTextBlock&) const = default;
};

struct CdText {
    std::vector<CdTextBlock> blocks; // by language, in the order of the disc
    int damaged = 0;                 // packs whose checksum is wrong
};

inline constexpr size_t cdTextPackBytes = 18;

/// Whole packs one after the other; four bytes of a header in front, as drives put there, are taken, too.
/// What is left over is ignored.
CdText decodeCdText(std::string_view packs);
/// For tests and demo data: the reverse, in ISO 8859-1 (others: MS-JIS).
std::string encodeCdText(const CdText& text);

} // namespace moorfrost::disc
