// SPDX-License-Identifier: GPL-3.0-or-later
// Files that were looked at in their folder without being brought into a batch. They stay known while they
// have drafts, at least until the program starts again.
#pragma once

#include <set>
#include <vector>

#include "core/library/records.h"
#include "core/library/store/database.h"

namespace moorfrost::library {

class LookedTable {
public:
    explicit LookedTable(Database& db) : db_(db) {}

    void add(const std::vector<FileId>& files);
    /// Those of these that were looked at.
    std::set<FileId> among(const std::vector<FileId>& files);
    /// Those that have no drafts are done with: of those that are in no batch and on no shelf nothing is
    /// known from now on, unless something is kept on their recording. No file is touched.
    void forgetIdle();

private:
    Database& db_;
};

} // namespace moorfrost::library
