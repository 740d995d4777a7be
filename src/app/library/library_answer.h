// SPDX-License-Identifier: GPL-3.0-or-later
// What the library page asks the search, and what it gets: worked out in a job, never on the interface
// thread.
#pragma once

#include "app/library/facet_panel.h"
#include "app/library/family_fold.h"
#include "core/library/collections.h"
#include "core/library/search/sleeves.h"

namespace moorfrost::app {

/// A search that is kept, to be counted.
struct SavedSearch {
    library::CollectionId id = 0;
    std::string query;
    size_t count = 0;
};

/// Of a list, as a whole.
struct ListTotals {
    size_t count = 0, absent = 0;
    size_t unknown = 0; // nothing is known of any of their files
    double seconds = 0;
    bool operator==(const ListTotals&) const = default;
};

struct LibraryQuestion {
    library::Query query;
    /// Only what stands in this list (ShownList), in its order where nothing else is asked; nullptr: all.
    std::shared_ptr<const std::vector<FileId>> list;
    std::vector<library::SortBy> sorting;
    bool asSleeves = false;
    library::SleeveGroup group = library::SleeveGroup::None;
    std::vector<std::pair<std::string, size_t>> facets; // keys, and how many values of each
    std::vector<SavedSearch> saved;                     // to be counted
    bool beginnings = false;                            // how words of those are found
    std::vector<FileId> chosen;                         // to be found again
    bool folds = false;                                 // versions stand under their lead

    /// Whether it has the same rows in the same order.
    bool hasRowsOf(const LibraryQuestion& other) const;
};

struct LibraryRows {
    std::vector<library::Row> rows;
    size_t found = 0;    // with versions that stand under their lead
    FamilyRows families; // where they do
    std::vector<library::LibrarySleeve> sleeves;
    std::vector<int> chosen;    // where in `rows` they are
    std::vector<size_t> places; // of each row, in the list
    ListTotals totals;          // of the list
    int64_t nanoseconds = 0;    // that it took
};

struct LibraryCounts {
    std::vector<FacetCounts> facets;
    std::vector<SavedSearch> saved;
};

LibraryRows rowsFor(const LibraryQuestion& question, const library::Searcher& searcher, std::stop_token stop);
LibraryCounts countsFor(const LibraryQuestion& question, const library::Searcher& searcher,
                        std::stop_token stop);

} // namespace moorfrost::app
