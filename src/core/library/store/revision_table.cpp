// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/store/revision_table.h"

#include <algorithm>

#include "core/library/store/setting_table.h"

namespace moorfrost::library {

std::string RevisionTable::current() {
    return SettingTable(db_).find("changes");
}

std::vector<std::string> RevisionTable::known() {
    std::vector<std::string> out;
    Statement s(db_, "SELECT mark FROM generation ORDER BY number DESC");
    while (s.step())
        out.push_back(s.string(0));
    return out;
}

std::string RevisionTable::begin() {
    try {
        Transaction transaction(db_);
        Statement begin(db_, "INSERT INTO generation VALUES (NULL, hex(randomblob(12))) RETURNING mark");
        begin.step();
        std::string mark = begin.string(0);
        begin.run();
        transaction.commit();
        return mark;
    } catch (const DatabaseError&) {
        std::vector<std::string> known = this->known();
        if (known.empty())
            throw;
        return known.front();
    }
}

std::optional<std::vector<FileId>> RevisionTable::changedSince(const std::string& revision) {
    Statement known(db_, "SELECT number FROM generation WHERE mark=?");
    if (!known.bind(revision).step())
        return std::nullopt;
    std::vector<FileId> out;
    Statement s(db_, "SELECT file FROM changed_file WHERE generation>=? ORDER BY file");
    s.bind(known.integer(0));
    while (s.step())
        out.push_back(s.integer(0));
    return out;
}

void RevisionTable::note(const std::vector<FileId>& files) {
    Statement s(db_, "INSERT INTO changed_file SELECT id, (SELECT max(number) FROM generation) FROM file "
                     "WHERE id=? AND shelf IS NOT NULL AND EXISTS (SELECT 1 FROM generation) "
                     "ON CONFLICT (file) DO UPDATE SET generation = excluded.generation");
    for (const FileId file : files)
        s.bind(file).run();
}

void RevisionTable::keep(const std::vector<std::string>& needed) {
    const std::vector<std::string> known = this->known();
    Transaction transaction(db_);
    Statement forget(db_, "DELETE FROM generation WHERE mark=?");
    for (size_t i = 1; i < known.size(); ++i)
        if (std::find(needed.begin(), needed.end(), known[i]) == needed.end())
            forget.bind(known[i]).run();
    Statement(db_, "DELETE FROM changed_file WHERE generation < (SELECT min(number) FROM generation)").run();
    transaction.commit();
}

} // namespace moorfrost::library
