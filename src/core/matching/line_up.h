// SPDX-License-Identifier: GPL-3.0-or-later
// The line-up: which file of a sleeve is which track of a release. Any thread.
#pragma once

#include <optional>

#include "core/matching/clues.h"
#include "core/reference/release.h"

namespace moorfrost::matching {

/// A release, prepared to be compared with many sleeves.
struct Likeable {
    struct Track {
        size_t medium = 0, place = 0; // in Release::media
        text::Likened title;
        std::vector<text::Likened> artists;
        int64_t lengthMs = 0;
        std::vector<std::string> isrcs; // plain
        std::string recording = {};     // as HeardAs has it; "": not told
    };
    /// `reference`: the key of who tells it.
    Likeable(const reference::Release& release, const std::string& reference);
    std::vector<Track> tracks;
    std::vector<text::Likened> artists; // all spellings of the credit
    text::Likened title;
    text::Likened titleWithEdition;
};

/// What speaks for a file being a track: 0 to 1 each; none where it cannot be told.
struct Fit {
    std::optional<double> title, length, number, sound;
    bool sameCode = false;
    double gain = 0;         // for the assignment; what is not positive is no pair
    double secondsApart = 0; // file minus track, where both lengths are known
};
Fit fitOf(const FileClues& file, const Likeable::Track& track, bool severalMedia);

struct Seating {
    std::vector<int> fileOf;      // for each track of Likeable::tracks: its file in SleeveClues::files, or -1
    std::vector<Fit> fits;        // that belong to them
    std::vector<size_t> unseated; // files
};
/// The best one.
Seating lineUp(const SleeveClues& clues, const Likeable& release);

} // namespace moorfrost::matching
