// SPDX-License-Identifier: GPL-3.0-or-later
// Values that are proposed and not written yet.
#pragma once

#include <map>
#include <set>
#include <string>
#include <tuple>
#include <vector>

#include "core/library/records.h"
#include "core/library/store/database.h"

namespace moorfrost::library {

class DraftTable {
public:
    explicit DraftTable(Database& db) : db_(db) {}

    std::vector<std::tuple<FileId, std::string, Draft>> all();
    /// By field.
    std::map<std::string, Draft> of(FileId file);
    bool has(FileId file);
    /// Names (tags::keptName) of the pictures in drafts.
    std::set<std::string> pictureNames();
    void save(const std::vector<DraftChange>& changes);
    /// Removes the drafts that were written: those that still propose these values, and the place if `moved`.
    void removeWritten(FileId file, const tags::Fields& written, bool moved);

private:
    Database& db_;
};

} // namespace moorfrost::library
