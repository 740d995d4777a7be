// SPDX-License-Identifier: GPL-3.0-or-later
// From a release and its line-up to proposed values: which fields a reference tells, under which rules they
// are taken. Any thread.
#pragma once

#include <map>
#include <string>
#include <vector>

#include "core/edits/edits.h"
#include "core/matching/evidence.h"

namespace moorfrost::bench {

enum class TakeRule { Always, WhenBlank, Never };

struct TakeRules {
    std::map<std::string, TakeRule> fields;    // those that are not named: always
    std::map<std::string, std::string> genres; // of the reference (folded) to the user's own; "": left out

    TakeRule of(const std::string& field) const;
    bool operator==(const TakeRules&) const = default;
};
/// The genres that the user has already, so that those of a reference which are spelled otherwise ("folk
/// rock", "Folk-Rock") become them.
class OwnGenres {
public:
    OwnGenres() = default;
    /// The first of two that are the same but for their spelling counts.
    explicit OwnGenres(std::vector<std::string> genres);
    const std::vector<std::string>& all() const { return all_; }
    /// As the user spells it; as it is where it is none of theirs.
    const std::string& spelled(const std::string& genre) const;

private:
    std::vector<std::string> all_;
    std::map<std::string, size_t> byForm_; // in all_
};
/// What a genre of a reference is called here; "": it is left out.
std::string genreFor(const std::string& genre, const TakeRules& rules, const OwnGenres& own);

/// For keeping, a line each; what cannot be read is left out.
std::vector<std::string> textsOf(const TakeRules& rules);
TakeRules takeRulesFrom(const std::vector<std::string>& texts);

/// The fields that a reference may tell, in the order of the field table.
const std::vector<std::string>& takenFields();

/// What the release tells of one of its tracks. `reference`: its key, for the number that is left in the
/// tags.
tags::Fields fieldsOf(const reference::Release& release, size_t medium, size_t place,
                      const std::string& reference);

/// The same for a track of a disc: what the disc says of itself, with what the release tells put over it. The
/// disc knows its own ISRCs best; of what is before track 1 (track number 0) a release tells nothing but what
/// holds for the whole disc.
tags::Fields fieldsOfDiscTrack(tags::Fields own, int track, const reference::Release& release, size_t medium,
                               size_t place, const std::string& reference);

/// "Cairn: Night Post EP, CD, GR 014, 29 Nov 2026"
std::string originOf(const reference::Release& release, const std::string& referenceName,
                     const std::string& day);

/// For the files that have a seat. `files`: their fields as they will be, those without a seat are left out.
edits::Proposals take(const matching::Candidate& candidate, const matching::SleeveClues& clues,
                      const std::vector<edits::Subject>& files, const TakeRules& rules,
                      const OwnGenres& genres, const std::string& origin);

} // namespace moorfrost::bench
