// SPDX-License-Identifier: GPL-3.0-or-later
// A sheet that comes in: which track each row means, with the evidence, and what it says otherwise than the
// library has it. Nothing is changed: what is taken becomes drafts, or is kept of recordings (rows_take.h).
#pragma once

#include <stop_token>

#include "core/deliver/rows/in_rows.h"
#include "core/deliver/rows/row_layout.h"
#include "core/library/store/store.h"
#include "core/work/progress.h"

namespace moorfrost::deliver {

/// How it is to be read.
struct RowsInPlan {
    exchange::Dialect dialect;
    std::vector<RowColumn> columns; // one for each of the file; what one without parts says does not count
    char decimal = '.';
    std::string dates = dateForms().front();
    std::string pathFrom, pathTo; // as in RowLayout: paths of the file begin with `pathTo`
    bool blankClears = false;     // a blank cell says that there is nothing; else it says nothing
};

struct RowsInLook {
    exchange::DelimitedLook look;
    std::vector<std::string> headings; // "" where there are none
    RowsInPlan plan;
    std::string layout; // whose headings they are; "" for none
};
/// By its beginning. `layout`: a name, where a person chose one.
Result<RowsInLook> lookAtRows(const Path& file, const std::vector<RowLayout>& layouts,
                              const exchange::DialectGiven& given = {}, const std::string& layout = {});

struct RowsIn {
    RowsInPlan plan;
    std::string source;         // the name of the file, for people
    InRows rows;                // without those that say, well, what the library has
    size_t same = 0, again = 0; // which are these
    exchange::Unread unread;
    size_t all() const { return rows.size() + same + again; }
    size_t count(InRow::State state) const;
};

/// All rows of the file, streamed; at most five million. `store`: a connection of its own. An Error
/// (Cancelled) after a stop.
Result<RowsIn> readRowsIn(library::Store& store, const Path& file, const RowsInPlan& plan,
                          std::stop_token stop, work::Progress& progress);

/// A track as the library has it now, drafts counted.
struct TrackNow {
    library::FileId file = 0; // 0: it is no more
    tags::Fields fields;
    library::KeptOfRecording kept;
};
TrackNow trackNow(library::Store& store, library::FileId file);

/// A person says which track the row means: what is otherwise is worked out again.
void settleRow(RowsIn& in, size_t row, const TrackNow& track);
/// Of those that contradict each other, this one counts; the others are left out. `track`: that of the row.
void preferRow(RowsIn& in, size_t row, const TrackNow& track);
void leaveRowOut(RowsIn& in, size_t row);

/// What a row says of itself, for people: "Lanterns, Kestrel & Rook".
std::string rowName(const InRow& row);

} // namespace moorfrost::deliver
