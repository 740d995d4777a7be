// SPDX-License-Identifier: GPL-3.0-or-later
// People, works and shares in: from JSON, or from CSV with a row a share, a party or a work. On the thread of
// the store.
#pragma once

#include "core/library/people/claims.h"

namespace moorfrost::library {

struct PeopleImport {
    size_t parties = 0, works = 0;     // new ones
    size_t shares = 0;                 // sides that were taken
    size_t claims = 0;                 // that say something else than what is kept: they stand beside it
    size_t same = 0;                   // sides that say the same
    std::vector<std::string> troubles; // sentences: what was not taken, with its row or name
    bool operator==(const PeopleImport&) const = default;
};
/// What people_out wrote, or others in the same form (told by the first letter). Parties are found by their
/// numbers, else by their names; works by their ISWC, else by title and writers. What is known is not
/// replaced: facts that are unknown are filled, shares that differ are kept as claims of `origin`. Owners are
/// those of the recordings of the work: where there are none here they are told as a trouble.
Result<ChangeOutcome> importPeople(Store& store, std::string_view text, const std::string& origin,
                                   PeopleImport& came);

} // namespace moorfrost::library
