// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/library/library_answer.h"

#include <chrono>

namespace moorfrost::app {

bool LibraryQuestion::hasRowsOf(const LibraryQuestion& o) const {
    return query == o.query && sorting == o.sorting && asSleeves == o.asSleeves && group == o.group;
}

LibraryRows rowsFor(const LibraryQuestion& q, const library::Searcher& searcher, std::stop_token stop) {
    using Clock = std::chrono::steady_clock;
    const auto start = Clock::now();
    LibraryRows out;
    library::RowSet rows = searcher.find(q.query, stop);
    if (stop.stop_requested())
        return out;
    out.rows = searcher.ordered(rows, q.sorting);
    if (q.asSleeves)
        out.sleeves = library::sleevesOf(searcher, searcher.ordered(rows, {}), q.group);
    out.nanoseconds = std::chrono::nanoseconds(Clock::now() - start).count();
    library::RowSet wanted(searcher.all().size());
    size_t left = 0;
    for (FileId id : q.chosen)
        if (auto row = searcher.rowOf(id); row && rows.has(*row)) {
            wanted.add(*row);
            ++left;
        }
    for (size_t i = 0; i < out.rows.size() && left > 0; ++i)
        if (wanted.has(out.rows[i])) {
            out.chosen.push_back(static_cast<int>(i));
            --left;
        }
    return out;
}

LibraryCounts countsFor(const LibraryQuestion& q, const library::Searcher& searcher, std::stop_token stop) {
    LibraryCounts out;
    const library::RowSet rows = searcher.find(q.query, stop);
    for (const auto& [key, most] : q.facets) {
        if (stop.stop_requested())
            return out;
        // What is missing is asked for together: those counts are of the result.
        library::Query other = library::withoutChosen(q.query, key);
        const bool same = key == "missing" || other == q.query;
        out.facets.push_back({key, searcher.facet(same ? rows : searcher.find(other, stop), key, most,
                                                  FacetPanel::missingKeys())});
    }
    out.saved = q.saved;
    for (SavedSearch& s : out.saved) {
        if (stop.stop_requested())
            return out;
        library::Query query = library::parseQuery(s.query, searcher.customFields()).query;
        s.count =
            searcher.find(q.beginnings ? library::withBeginnings(std::move(query)) : query, stop).count();
    }
    return out;
}

} // namespace moorfrost::app
