// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/store/shelf_table.h"

#include "core/library/store/recording_table.h"

namespace moorfrost::library {

int64_t ShelfTable::add(const std::string& name, const Path& path) {
    Statement s(
        db_,
        "INSERT INTO shelf (name, path) VALUES (?,?) ON CONFLICT(path) DO UPDATE SET path=path RETURNING id");
    s.bind(name).bindPath(path);
    s.step();
    return s.integer(0);
}

void ShelfTable::rename(int64_t id, const std::string& name) {
    Statement(db_, "UPDATE shelf SET name=? WHERE id=?").bind(name).bind(id).run();
}

void ShelfTable::setPath(int64_t id, const Path& path) {
    Statement(db_, "UPDATE shelf SET path=? WHERE id=?").bindPath(path).bind(id).run();
}

void ShelfTable::remove(int64_t id) {
    Transaction transaction(db_);
    Statement(db_, "DELETE FROM file WHERE shelf=? AND NOT EXISTS"
                   " (SELECT 1 FROM batch_file WHERE batch_file.file=file.id) AND NOT " +
                       fileIsKept())
        .bind(id)
        .run();
    Statement(db_, "UPDATE file SET shelf=NULL WHERE shelf=?").bind(id).run();
    Statement(db_, "DELETE FROM shelf WHERE id=?").bind(id).run();
    transaction.commit();
}

std::vector<Shelf> ShelfTable::all() {
    std::vector<Shelf> out;
    Statement s(db_, "SELECT id, name, path FROM shelf ORDER BY id");
    while (s.step())
        out.push_back({s.integer(0), s.string(1), Path(s.string(2))});
    return out;
}

} // namespace moorfrost::library
