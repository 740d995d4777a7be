// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/store/lasting_table.h"

#include <ctime>

namespace moorfrost::library {

void LastingTable::add(const LastingWork& work) {
    Statement(db_, "INSERT OR REPLACE INTO lasting_work (id, kind, details, begun) VALUES (?,?,?,?)")
        .bind(work.id)
        .bind(work.kind)
        .bind(work.details)
        .bind(static_cast<int64_t>(std::time(nullptr)))
        .run();
}

void LastingTable::remove(int64_t id) {
    Statement(db_, "DELETE FROM lasting_work WHERE id=?").bind(id).run();
}

std::vector<LastingWork> LastingTable::all() {
    std::vector<LastingWork> out;
    Statement s(db_, "SELECT id, kind, details FROM lasting_work ORDER BY begun, id");
    while (s.step())
        out.push_back({s.integer(0), s.string(1), s.string(2)});
    return out;
}

} // namespace moorfrost::library
