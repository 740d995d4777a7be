// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/store/worked_out_table.h"

namespace moorfrost::library {

KeptValues WorkedOutTable::find(const std::string& field, const std::vector<FileId>& files) {
    KeptValues out;
    Statement s(db_, "SELECT value FROM kept_value WHERE file=? AND field=? ORDER BY position");
    for (FileId file : files) {
        s.bind(file).bind(field);
        while (s.step())
            out[file].push_back(s.string(0));
        s.reset();
    }
    return out;
}

std::unordered_map<std::string, FileId> WorkedOutTable::filesByFirst(const std::string& field) {
    std::unordered_map<std::string, FileId> out;
    Statement s(db_, "SELECT value, file FROM kept_value WHERE field=? AND position=0");
    s.bind(field);
    while (s.step())
        out.try_emplace(s.string(0), s.integer(1));
    return out;
}

void WorkedOutTable::save(const std::string& field, const KeptValues& values) {
    Transaction t(db_);
    Statement drop(db_, "DELETE FROM kept_value WHERE file=? AND field=?");
    Statement add(db_, "INSERT INTO kept_value SELECT ?,?,?,? WHERE EXISTS (SELECT 1 FROM file WHERE id=?)");
    for (const auto& [file, list] : values) {
        drop.bind(file).bind(field).run();
        for (size_t i = 0; i < list.size(); ++i)
            add.bind(file).bind(field).bind(static_cast<int64_t>(i)).bind(list[i]).bind(file).run();
    }
    t.commit();
}

} // namespace moorfrost::library
