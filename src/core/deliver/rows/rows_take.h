// SPDX-License-Identifier: GPL-3.0-or-later
// What a sheet said becomes drafts (fields) and is kept of recordings (rating, note, kind, playout number,
// path on another machine). Rows without a track become entries without a file, by choice.
#pragma once

#include "core/deliver/rows/rows_in.h"
#include "core/library/drafts.h"
#include "core/library/kept_change.h"

namespace moorfrost::deliver {

/// What would be taken of rows whose state is Changes.
struct RowsTake {
    std::vector<library::DraftSession::Wish> wishes;
    std::map<library::FileId, tags::Fields> kept; // by the name under which the library keeps it
    size_t rows = 0;
    bool isEmpty() const { return wishes.empty() && kept.empty(); }
};
RowsTake rowsTake(const RowsIn& in);
/// As one change of the journal. On the thread of the store.
library::ChangeOutcome keepOfRows(library::Store& store, const RowsTake& take, const std::string& title);

/// What kind of sound a row is that says nothing of it. The first that fits.
struct RowKindRule {
    double shorterThan = 0; // seconds; 0: whatever the length
    bool withoutArtist = true;
    std::string kind; // "ident", "speech" ...
    bool operator==(const RowKindRule&) const = default;
};
const std::vector<RowKindRule>& shippedRowKindRules();
/// "" where none fits: music.
std::string kindOfRow(const tags::Fields& says, const std::vector<RowKindRule>& rules);

/// Entries without a file for these of the rows: on that shelf, absent, at the path that the row tells where
/// it is within the shelf, else under a name made of what it says. Of each row its entry; 0: its file is
/// there, and is to be brought in. On the thread of the store.
Result<std::vector<library::FileId>> addEntries(library::Store& store, const RowsInPlan& plan,
                                                const std::string& source, const InRows& rows,
                                                const std::vector<size_t>& which, int64_t shelf,
                                                const std::vector<RowKindRule>& rules, int64_t now);
/// What came of it, noted with the rows.
void noteEntry(RowsIn& in, size_t row, library::FileId entry);

} // namespace moorfrost::deliver
