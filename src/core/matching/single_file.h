// SPDX-License-Identifier: GPL-3.0-or-later
// Which track of which release a file may be that stands for itself. The calls wait for the references, so
// they belong into jobs.
#pragma once

#include <stop_token>

#include "core/matching/identify.h"
#include "core/reference/reference.h"

namespace moorfrost::matching {

struct TrackCandidate {
    reference::Release release;
    std::string reference; // its key
    size_t medium = 0, place = 0;
    Fit fit;
    double artist = -1;  // 0 to 1; -1: not known
    double likeness = 0; // 0 to 1: how alike names and length are, all together
    const reference::Track& track() const { return release.media[medium].tracks[place]; }
    std::string number() const { return reference::numberOf(reference, release.id); }
};

struct FileIdentified {
    std::vector<TrackCandidate> candidates; // the best first; of a release only its best track
    std::vector<Error> errors;
};

/// `clues`: of one file. The same recording is on several releases: which one comes first is told by `liked`
/// (ids that speak for themselves, as "cairn:night-post-cd"), then by the earliest date. `heard`: see
/// identify().
FileIdentified identifyFile(const SleeveClues& clues, const std::vector<reference::Reference*>& references,
                            const std::vector<std::string>& liked, std::stop_token stop, size_t most = 6,
                            const std::vector<Told>& heard = {});

/// From this likeness on it is probably the one.
inline constexpr double probablyIt = 0.8;

} // namespace moorfrost::matching
