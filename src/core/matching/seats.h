// SPDX-License-Identifier: GPL-3.0-or-later
// A line-up by hand: who sits where is a person's to say. Any thread.
#pragma once

#include "core/matching/evidence.h"

namespace moorfrost::matching {

/// The file (of clues.files) to the track (of Likeable::tracks): who sits there goes to the seat that the
/// file had, or has none any more. `track` -1: the file has none.
void seat(const SleeveClues& clues, Candidate& candidate, size_t file, int track);

/// The same candidate for a sleeve whose files are others by now: those that are still there keep their
/// seats, those that have come have none.
Candidate moved(const SleeveClues& before, const Candidate& candidate, const SleeveClues& now);

/// Where a file would sit best, among the seats that are empty.
struct EmptySeat {
    int track = -1; // none: nothing speaks for any
    Fit fit;
};
EmptySeat bestEmptySeat(const Candidate& candidate, const Likeable& likeable, const FileClues& file);

} // namespace moorfrost::matching
