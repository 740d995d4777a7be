// SPDX-License-Identifier: GPL-3.0-or-later
// Which releases are editions of one and the same: what is alike while one is being entered, and what may be
// joined in the whole library. Any thread.
#pragma once

#include "core/library/releases/release_list.h"

namespace moorfrost::library {

/// Why two releases may be editions of one.
struct EditionEvidence {
    double sure = 0; // 0 to 1
    bool title = false, artist = false;
    size_t shared = 0, of = 0; // tracks of the shorter one that are on the other, by name and length
    bool barcode = false, number = false;
    /// "title alike, 3 of 4 tracks": in words, for people.
    std::string words() const;
};

/// What is told of a release that is being entered.
struct ReleaseClue {
    std::string title, artist, number, barcode;
    std::vector<std::pair<std::string, int64_t>> titles; // as in ReleaseEntry
};
struct LikeRelease {
    size_t entry = 0;
    EditionEvidence evidence;
};
/// Those that are like it, the most alike first.
std::vector<LikeRelease> likeReleases(const ReleaseList& list, const ReleaseClue& clue, size_t most = 6);

/// Editions that are not in one set yet.
struct SetProposal {
    std::vector<size_t> entries; // rising; of a set that is there already, one at least
    EditionEvidence evidence;    // of the pair that is least sure of those that hold it together
};
/// The surest first. What was kept apart is not proposed. After a stop of no use.
std::vector<SetProposal> proposeSets(const ReleaseList& list, std::stop_token stop = {});

/// A title without what tells editions apart: "Salt Road (2011 Remaster)" is "salt road". Folded.
std::string coreTitle(std::string_view title);

} // namespace moorfrost::library
