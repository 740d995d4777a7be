// SPDX-License-Identifier: GPL-3.0-or-later
// Why a sleeve may be a release: named evidence, and from it how sure one can be among all candidates. The
// weights were fitted on one set of damaged sleeves and are reported on another (docs/identify.md). Any
// thread.
#pragma once

#include <array>

#include "core/matching/line_up.h"

namespace moorfrost::matching {

enum class Evidence { Artist, Album, Titles, Tracks, Lengths, Order, Codes, Year, Label, Carrier, Sound };
inline constexpr size_t evidenceCount = 11;

/// What each says: 0 to 1 where it can be told. Codes, Year, Label: also -1 to 0 where they contradict.
struct Said {
    bool known = false;
    double value = 0;
};

/// A release that a sleeve may be.
struct Candidate {
    reference::Release release;
    std::string reference;              // its key
    std::vector<std::string> also = {}; // other references that tell the same edition
    Seating seating;
    std::array<Said, evidenceCount> said;
    double logit = 0;      // what all of it is worth together
    double certainty = 0;  // 0 to 1: that this very edition is the right one; set by weighAll()
    double fit = 0;        // 0 to 1: how well all of it fits, whatever else fits, too
    bool complete = false; // everything there is was fetched

    const Said& operator[](Evidence e) const { return said[static_cast<size_t>(e)]; }
    /// What one piece of evidence adds to (or takes from) the logit.
    double share(Evidence e) const;
    size_t seated() const;
    std::string number() const; // "cairn:night-post-cd"
};

/// Seats the files, and says what speaks for it. `reference`: the key of who tells it.
Candidate judge(const SleeveClues& clues, reference::Release release, const std::string& reference);
/// The same with a line-up that is given.
void judgeAgain(const SleeveClues& clues, Candidate& candidate);

/// Sets the certainties, and sorts the best first.
void weighAll(std::vector<Candidate>& candidates);

enum class Verdict {
    Sure,    // this edition
    Likely,  // this one rather than any other
    Look,    // something like it: a person decides
    Unknown, // nothing like it was found
};
Verdict verdictOn(const std::vector<Candidate>& candidates);

} // namespace moorfrost::matching
