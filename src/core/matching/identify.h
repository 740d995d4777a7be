// SPDX-License-Identifier: GPL-3.0-or-later
// From a sleeve to the releases that it may be: which questions are asked, in which order, and what comes of
// the answers. The calls wait for the references, so they belong into jobs.
#pragma once

#include <stop_token>

#include "core/matching/evidence.h"
#include "core/reference/reference.h"

namespace moorfrost::matching {

struct Ways {
    bool byName = true;
    bool byCodes = true;
};

struct Identified {
    std::vector<Candidate> candidates; // the best first
    Verdict verdict = Verdict::Unknown;
    std::vector<Error> errors; // of references that could not be asked
};

/// A release of the library that is made of these very files is no answer to what they are.
bool isOwn(const SleeveClues& clues, const reference::Release& release);

/// A release, and who told it.
struct Told {
    std::string reference; // its key
    reference::Release release;
};

/// Asks all references, in the order of the user: by numbers and codes first, by names, and once more by
/// tracks and lengths where that was not enough. `most`: how many candidates are kept. `heard`: what was
/// found by ear (matching/listening), which is among them.
Identified identify(const SleeveClues& clues, const std::vector<reference::Reference*>& references, Ways ways,
                    std::stop_token stop, size_t most = 8, const std::vector<Told>& heard = {});
/// The same by words that a person gave.
Identified identifyBy(const reference::Question& question, const SleeveClues& clues,
                      const std::vector<reference::Reference*>& references, std::stop_token stop,
                      size_t most = 8);

} // namespace moorfrost::matching
