// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/store/fixity_table.h"

namespace moorfrost::library {

void FixityTable::save(const Fixity& f) {
    Statement(db_, "INSERT OR REPLACE INTO fixity (path, essence, sha256, bytes, \"when\", verified) "
                   "VALUES (?,?,?,?,?,?)")
        .bindPath(f.path)
        .bind(f.essence)
        .bind(f.sha256)
        .bind(static_cast<int64_t>(f.bytes))
        .bind(f.when)
        .bind(f.when)
        .run();
    Statement(db_, "DELETE FROM fixity_tried WHERE path = ?").bindPath(f.path).run();
}

std::optional<Fixity> FixityTable::find(const Path& path) {
    for (Fixity& f : read(&path))
        return f;
    return std::nullopt;
}

std::vector<Fixity> FixityTable::all() {
    return read(nullptr);
}

void FixityTable::moveAll(const std::vector<std::pair<Path, Path>>& moves) {
    Statement any(db_, "SELECT 1 FROM fixity LIMIT 1");
    if (moves.empty() || !any.step())
        return;
    Transaction transaction(db_);
    Statement move(db_, "UPDATE OR REPLACE fixity SET path=? WHERE path=?");
    auto between = [](size_t i) { return Path(std::string("\0", 1) + std::to_string(i)); };
    for (size_t i = 0; i < moves.size(); ++i)
        move.bindPath(between(i)).bindPath(moves[i].first).run();
    for (size_t i = 0; i < moves.size(); ++i)
        move.bindPath(moves[i].second).bindPath(between(i)).run();
    transaction.commit();
}

std::vector<Fixity> FixityTable::read(const Path* only) {
    std::vector<Fixity> out;
    Statement s(db_, std::string("SELECT path, essence, sha256, bytes, \"when\" FROM fixity ") +
                         (only ? "WHERE path=?" : "ORDER BY path"));
    if (only)
        s.bindPath(*only);
    while (s.step())
        out.push_back(
            {s.string(0), s.string(1), s.string(2), static_cast<uint64_t>(s.integer(3)), s.integer(4)});
    return out;
}

} // namespace moorfrost::library
