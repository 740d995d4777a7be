// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/store/card_table.h"

#include <algorithm>

namespace moorfrost::library {

namespace {

CardKind kindFrom(int64_t number) {
    return static_cast<CardKind>(std::clamp<int64_t>(number, 0, cardKinds - 1));
}

} // namespace

std::vector<CardId> CardTable::all(CardKind kind) {
    std::vector<CardId> out;
    Statement s(db_, "SELECT id FROM card WHERE kind=? ORDER BY id");
    s.bind(static_cast<int64_t>(kind));
    while (s.step())
        out.push_back(s.integer(0));
    return out;
}

CardTable::Row CardTable::find(CardId id) {
    Statement s(db_, "SELECT kind, since FROM card WHERE id=?");
    return s.bind(id).step() ? Row{kindFrom(s.integer(0)), s.integer(1)} : Row{};
}

CardId CardTable::fresh() {
    // Numbers that were in use once stay with the journal.
    Statement s(db_, "SELECT max((SELECT coalesce(max(id), 0) FROM card),"
                     " (SELECT coalesce(max(subject), 0) FROM library_change_part WHERE kind='card')) + 1");
    return s.step() ? s.integer(0) : 1;
}

void CardTable::add(CardId id, CardKind kind, int64_t since) {
    Statement(db_, "INSERT OR REPLACE INTO card (id, kind, since) VALUES (?,?,?)")
        .bind(id)
        .bind(static_cast<int64_t>(kind))
        .bind(since)
        .run();
}

void CardTable::remove(CardId id) {
    Statement(db_, "DELETE FROM card WHERE id=?").bind(id).run();
}

std::map<CardId, Facts> CardTable::allFacts(CardKind kind) {
    std::map<CardId, Facts> all = facts_.all(), out;
    for (const CardId id : this->all(kind))
        out[id] = std::move(all[id]);
    return out;
}

} // namespace moorfrost::library
