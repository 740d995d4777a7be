// SPDX-License-Identifier: GPL-3.0-or-later
// Versions of a recording below their lead: of a result the rows that stand by themselves, and what each lead
// has under it; and which of them are open.
#pragma once

#include <map>
#include <optional>
#include <set>
#include <unordered_map>
#include <vector>

#include "core/library/search/searcher.h"

namespace moorfrost::app {

/// Worked out where the rows are (any thread).
struct FamilyRows {
    std::map<library::Row, std::vector<library::Row>> under; // of each lead in the result, in their order
    std::map<library::Row, std::string> families;            // of each lead, the number of its family
    std::unordered_map<library::Row, library::Row> leadOf;   // of those under one
    std::map<library::Row, std::vector<size_t>> places;      // of a list: where those under each lead stand
};
/// `rows` without versions whose lead is among them.
FamilyRows foldFamilies(const library::Searcher& searcher, std::vector<library::Row>& rows);
/// A list as it is arranged, without versions that follow their lead directly. `places`: of the rows.
FamilyRows foldList(const library::Searcher& searcher, std::vector<library::Row>& rows,
                    std::vector<size_t>& places);

class FamilyFold {
public:
    void set(FamilyRows rows) { rows_ = std::move(rows); }
    struct Shown {
        std::vector<library::Row> rows;
        std::vector<size_t> places; // of a list; else none
    };
    /// With the versions of open families behind their leads.
    Shown shown(const Shown& folded) const;
    /// What a closed lead has under it, to go with it where it goes; of a list only.
    Shown hidden(library::Row lead) const;
    bool isLead(library::Row row) const { return rows_.under.contains(row); }
    bool isOpen(library::Row row) const;
    size_t count(library::Row row) const;
    /// The lead under which it stands; no value: under none.
    std::optional<library::Row> leadOf(library::Row row) const;
    void turn(library::Row lead);

private:
    FamilyRows rows_;
    std::set<std::string> open_; // families: rows are others after each change
};

} // namespace moorfrost::app
