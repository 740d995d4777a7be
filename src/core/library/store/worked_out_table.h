// SPDX-License-Identifier: GPL-3.0-or-later
// What was worked out of one file and holds for the state that it was in: the kind that is proposed for it,
// the essence of its sound. It goes with the file. (What people gave is in RecordingTable.)
#pragma once

#include <map>
#include <string>
#include <unordered_map>
#include <vector>

#include "core/library/records.h"
#include "core/library/store/database.h"

namespace moorfrost::library {

class WorkedOutTable {
public:
    explicit WorkedOutTable(Database& db) : db_(db) {}

    /// Of those that have such values.
    KeptValues find(const std::string& field, const std::vector<FileId>& files);
    /// One of the files whose first value it is, for each such value.
    std::unordered_map<std::string, FileId> filesByFirst(const std::string& field);
    /// None: they have no such values any more. Files that are not known are left out.
    void save(const std::string& field, const KeptValues& values);

private:
    Database& db_;
};

} // namespace moorfrost::library
