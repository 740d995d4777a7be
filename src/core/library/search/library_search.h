// SPDX-License-Identifier: GPL-3.0-or-later
// Searching a library on disk: its columns, from the snapshot beside it or made anew, with what has changed
// since laid over them.
#pragma once

#include <stop_token>

#include "core/library/search/searcher.h"
#include "core/library/store/store.h"

namespace moorfrost::library {

struct LibrarySearch {
    std::shared_ptr<const Searcher> searcher; // of what is on the shelves; nullptr: not read yet, or stopped
    std::string columnsRevision;              // of the store, in which the columns were made
    std::string revision;                     // of the store, that all of it is true of
    bool sortsOtherwise = false;              // Searcher::tellsOtherSortForms()
};

/// As the library is now. Reads only what has changed since `held` (or since the snapshot), unless that is
/// not known any more; then makes the columns anew.
LibrarySearch searchOf(Store& store, const LibrarySearch& held = {}, std::stop_token stop = {});

/// So much has changed that new columns are worth their time, or orders are not right without them.
bool isWorthMakingAnew(const LibrarySearch& held);
/// Reads the whole library, and leaves a new snapshot (a disk that cannot take it does no harm).
LibrarySearch searchMadeAnew(Store& store, std::stop_token stop = {});

/// The setting in which readiness (library/shelf_readiness) says which revisions it still needs.
inline constexpr const char* readinessRevisionsKey = "readiness generations";
/// The setting in which the audit (library/findings) says which revision it still needs.
inline constexpr const char* auditRevisionKey = "audit generation";
/// Those, and the one that the columns were made in.
std::vector<std::string> revisionsUsed(Store& store, const std::string& columns);

/// Where the snapshot lies.
Path snapshotOf(const Path& library);

} // namespace moorfrost::library
