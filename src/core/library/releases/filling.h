// SPDX-License-Identifier: GPL-3.0-or-later
// What a source would change of a release: fact by fact and track by track, before it is taken. Any thread.
#pragma once

#include "core/library/releases/release_changes.h"
#include "core/library/releases/track_pairs.h"

namespace moorfrost::library {

struct FactFilling {
    std::string key;
    std::vector<std::string> before, after;
    bool fills = false; // nothing was known of it
    bool taken = true;  // a person may leave it out
};

/// A line of the tracks as they will be: what it was, what it becomes.
struct TrackFilling {
    size_t medium = 0, number = 0; // in `media`; of one that goes: where it was
    std::string before, after;     // "1 Night Post 3:41"; "" for none
    bool otherTitle = false;
};

struct FillingPlan {
    std::vector<FactFilling> facts;   // those that would be otherwise
    std::vector<MediumToKeep> media;  // as they would be
    std::vector<TrackFilling> tracks; // all of them, in order; those that go behind the others
    bool mediaChange = false;         // they would be otherwise
    bool takeMedia = true;

    ReleaseFilling filling(const ReleaseSource& source) const; // of what is taken
    size_t takenFacts() const;
};

/// A release that has tracks keeps their recordings, whatever they are called by the source; so does a track
/// of which the source has one alike (pairTracks).
FillingPlan planFilling(const ReleaseView& release, const reference::Release& source);

/// Titles of a release as the language writes them: those of `release` that would be otherwise are changed.
/// `language`: as text/casing has it.
void putCasingRight(reference::Release& release, std::string_view language);

} // namespace moorfrost::library
