// SPDX-License-Identifier: GPL-3.0-or-later
// People, works and shares out and in: as JSON (all that is kept), as CSV (a row a share, a party, a work).
// On the thread of the store.
#pragma once

#include "core/library/people/card_view.h"

namespace moorfrost::library {

/// One object, on one line.
std::string cardJson(Store& store, const CardView& view, const People& people);
/// All parties and works: {"parties": [...], "works": [...]}.
std::string peopleJson(Store& store);
/// A row a party, or a row a work: a column for each fact that is no share, named by its key, as it is typed;
/// several values with "; " between them.
std::string cardsCsv(Store& store, CardKind kind);
/// A row a share: work, iswc, side, name, role, ipi, share, administers, territory, from, number (of the
/// work: several may be called the same).
std::string sharesCsv(Store& store);

} // namespace moorfrost::library
