// SPDX-License-Identifier: GPL-3.0-or-later
// What the library page asks the search, and what it gets: worked out in a job, never on the interface
// thread.
#pragma once

#include "app/library/facet_panel.h"
#include "core/library/search/sleeves.h"

namespace moorfrost::app {

struct LibraryQuestion {
    library::Query query;
    std::vector<library::SortBy> sorting;
    bool asSleeves = false;
    library::SleeveGroup group = library::SleeveGroup::None;
    std::vector<std::pair<std::string, size_t>> facets; // keys, and how many values of each
    std::vector<SavedSearch> saved;                     // to be counted
    bool beginnings = false;                            // how words of those are found
    std::vector<FileId> chosen;                         // to be found again

    /// Whether it has the same rows in the same order.
    bool hasRowsOf(const LibraryQuestion& other) const;
};

struct LibraryRows {
    std::vector<library::Row> rows;
    std::vector<library::LibrarySleeve> sleeves;
    std::vector<int> chosen; // where in `rows` they are
    int64_t nanoseconds = 0; // that it took
};

struct LibraryCounts {
    std::vector<FacetCounts> facets;
    std::vector<SavedSearch> saved;
};

LibraryRows rowsFor(const LibraryQuestion& question, const library::Searcher& searcher, std::stop_token stop);
LibraryCounts countsFor(const LibraryQuestion& question, const library::Searcher& searcher,
                        std::stop_token stop);

} // namespace moorfrost::app
