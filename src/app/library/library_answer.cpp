// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/library/library_answer.h"

#include <chrono>
#include <unordered_map>

namespace moorfrost::app {

bool LibraryQuestion::hasRowsOf(const LibraryQuestion& o) const {
    return query == o.query && list == o.list && sorting == o.sorting && asSleeves == o.asSleeves &&
           group == o.group && folds == o.folds;
}

namespace {

/// The rows of a list.
library::RowSet rowsOfList(const std::vector<FileId>& list, const library::Searcher& searcher) {
    library::RowSet out(searcher.all().size());
    for (const FileId id : list)
        if (const auto row = searcher.rowOf(id))
            out.add(*row);
    return out;
}

/// As it is arranged, or each row as often as it stands there.
void arrange(LibraryRows& out, const LibraryQuestion& q, const library::RowSet& rows,
             const library::Searcher& searcher) {
    std::unordered_map<library::Row, std::vector<size_t>> places;
    for (size_t i = 0; i < q.list->size(); ++i) {
        const auto row = searcher.rowOf((*q.list)[i]);
        ++out.totals.count;
        if (!row) {
            ++out.totals.unknown;
            continue;
        }
        out.totals.seconds += searcher.durationOf(*row);
        out.totals.absent += searcher.has(*row, library::Absent) ? 1 : 0;
        if (!rows.has(*row))
            continue;
        if (q.sorting.empty()) {
            out.rows.push_back(*row);
            out.places.push_back(i);
        } else {
            places[*row].push_back(i);
        }
    }
    if (!q.sorting.empty())
        for (const library::Row row : searcher.ordered(rows, q.sorting))
            for (const size_t place : places[row]) {
                out.rows.push_back(row);
                out.places.push_back(place);
            }
}

} // namespace

LibraryRows rowsFor(const LibraryQuestion& q, const library::Searcher& searcher, std::stop_token stop) {
    using Clock = std::chrono::steady_clock;
    const auto start = Clock::now();
    LibraryRows out;
    library::RowSet rows = searcher.find(q.query, stop);
    if (stop.stop_requested())
        return out;
    if (q.list) {
        rows &= rowsOfList(*q.list, searcher);
        arrange(out, q, rows, searcher);
    } else {
        out.rows = searcher.ordered(rows, q.sorting);
    }
    out.found = out.rows.size();
    if (q.folds && !q.list)
        out.families = foldFamilies(searcher, out.rows);
    else if (q.folds && q.sorting.empty())
        out.families = foldList(searcher, out.rows, out.places);
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
    for (size_t i = 0; i < out.rows.size() && (left > 0 || q.list); ++i)
        if (wanted.has(out.rows[i])) {
            out.chosen.push_back(static_cast<int>(i));
            left -= left > 0 ? 1 : 0;
        }
    return out;
}

LibraryCounts countsFor(const LibraryQuestion& q, const library::Searcher& searcher, std::stop_token stop) {
    LibraryCounts out;
    const library::RowSet within = q.list ? rowsOfList(*q.list, searcher) : searcher.all();
    library::RowSet rows = searcher.find(q.query, stop);
    rows &= within;
    for (const auto& [key, most] : q.facets) {
        if (stop.stop_requested())
            return out;
        // What is missing is asked for together: those counts are of the result.
        library::Query other = library::withoutChosen(q.query, key);
        const bool same = key == "missing" || other == q.query;
        library::RowSet of = same ? rows : searcher.find(other, stop);
        if (!same)
            of &= within;
        out.facets.push_back({key, searcher.facet(of, key, most, FacetPanel::missingKeys())});
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
