// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/store/own_isrc_table.h"

namespace moorfrost::library {

std::vector<OwnIsrc> OwnIsrcTable::read(const std::string& series) {
    std::vector<OwnIsrc> out;
    Statement rows(db_, "SELECT code, recording, title, artist, \"when\" FROM own_isrc "
                        "WHERE substr(code, 1, ?) = ? ORDER BY code");
    rows.bind(static_cast<int64_t>(series.size())).bind(series);
    while (rows.step()) {
        OwnIsrc one;
        one.code = rows.string(0);
        one.recording = rows.integer(1);
        one.title = rows.string(2);
        one.artist = rows.string(3);
        one.when = rows.integer(4);
        out.push_back(std::move(one));
    }
    return out;
}

std::vector<OwnIsrc> OwnIsrcTable::all() {
    return read({});
}

std::vector<OwnIsrc> OwnIsrcTable::beginningWith(const std::string& series) {
    return read(series);
}

void OwnIsrcTable::add(const std::vector<OwnIsrc>& codes) {
    Transaction transaction(db_);
    Statement insert(
        db_, "INSERT INTO own_isrc (code, recording, title, artist, \"when\") VALUES (?, ?, ?, ?, ?)");
    for (const OwnIsrc& one : codes)
        insert.bind(one.code).bind(one.recording).bind(one.title).bind(one.artist).bind(one.when).run();
    transaction.commit();
}

} // namespace moorfrost::library
