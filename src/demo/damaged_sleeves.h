// SPDX-License-Identifier: GPL-3.0-or-later
// Sleeves as people leave them: files of a release, named and tagged with the faults that are met. For
// measuring how well releases are found again. Deterministic.
#pragma once

#include <string>
#include <vector>

#include "core/matching/sleeves.h"
#include "core/reference/release.h"

namespace moorfrost::demo {

enum class Damage {
    Misspelt,
    Swapped, // artist and album, or title and artist, in each other's place
    Cut,     // names that end early
    Hyphens, // spaces have become hyphens or underlines
    WrongYear,
    ExtraTrack,
    MissingTrack,
    OtherScript, // written in Latin letters
    MixedDiscs,  // all discs in one folder, numbers lost or repeated
    TwoReleases, // files of another one among them
};
inline constexpr size_t damageCount = 10;
const char* nameOf(Damage damage);

struct DamagedSleeve {
    size_t release = 0; // where it is among the releases: the one that most of its files are of
    std::vector<Damage> damages;
    std::vector<matching::SleeveInput> files;
    std::vector<int> tracks; // of each file: which track of the release, counted through all media; -1: none
};

/// One to three damages each; every kind as often as the others.
std::vector<DamagedSleeve> damagedSleeves(const std::vector<reference::Release>& releases, size_t count,
                                          uint64_t seed);

} // namespace moorfrost::demo
