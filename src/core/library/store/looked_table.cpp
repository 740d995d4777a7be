// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/store/looked_table.h"

#include "core/library/store/recording_table.h"

namespace moorfrost::library {

void LookedTable::add(const std::vector<FileId>& files) {
    Transaction transaction(db_);
    Statement add(db_, "INSERT OR IGNORE INTO looked_at (file) SELECT id FROM file WHERE id=?");
    for (FileId id : files)
        add.bind(id).run();
    transaction.commit();
}

std::set<FileId> LookedTable::among(const std::vector<FileId>& files) {
    std::set<FileId> out;
    Statement any(db_, "SELECT EXISTS (SELECT 1 FROM looked_at)");
    if (!any.step() || any.integer(0) == 0)
        return out;
    Statement s(db_, "SELECT 1 FROM looked_at WHERE file=?");
    for (FileId id : files) {
        if (s.bind(id).step())
            out.insert(id);
        s.reset();
    }
    return out;
}

void LookedTable::forgetIdle() {
    Transaction transaction(db_);
    const std::string idle = "(SELECT file FROM looked_at WHERE NOT EXISTS"
                             " (SELECT 1 FROM draft WHERE draft.file=looked_at.file))";
    Statement(db_, "DELETE FROM file WHERE shelf IS NULL AND id IN " + idle +
                       " AND NOT EXISTS (SELECT 1 FROM batch_file WHERE batch_file.file=file.id) AND NOT " +
                       fileIsKept())
        .run();
    Statement(db_, "DELETE FROM looked_at WHERE file IN " + idle).run();
    transaction.commit();
}

} // namespace moorfrost::library
