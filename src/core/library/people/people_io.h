// SPDX-License-Identifier: GPL-3.0-or-later
// People, works and shares out and in: as JSON (all that is kept), shares as CSV (a row a share). On the
// thread of the store.
#pragma once

#include "core/library/people/card_view.h"

namespace moorfrost::library {

/// One object, on one line.
std::string cardJson(Store& store, const CardView& view, const People& people);
/// All parties and works: {"parties": [...], "works": [...]}.
std::string peopleJson(Store& store);
/// A row a share: work, iswc, side, name, role, ipi, share, administers, territory, from.
std::string sharesCsv(Store& store);

struct PeopleImport {
    size_t parties = 0, works = 0;     // new ones
    size_t shares = 0;                 // sides that were taken
    size_t claims = 0;                 // that say something else than what is kept: they stand beside it
    size_t same = 0;                   // sides that say the same
    std::vector<std::string> troubles; // sentences: what was not taken, with its row or name
    bool operator==(const PeopleImport&) const = default;
};
/// What peopleJson() or sharesCsv() wrote, or others in the same form (told by the first letter). Parties are
/// found by their numbers, else by their names; works by their ISWC, else by title and writers. What is known
/// is not replaced: facts that are unknown are filled, shares that differ are kept as claims of `origin`.
Result<ChangeOutcome> importPeople(Store& store, std::string_view text, const std::string& origin,
                                   PeopleImport& came);

} // namespace moorfrost::library
