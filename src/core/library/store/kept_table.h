// SPDX-License-Identifier: GPL-3.0-or-later
// What is kept of files in the library and not in the files: their kind, what was proposed for it, the
// essence of their sound.
#pragma once

#include <map>
#include <string>
#include <vector>

#include "core/library/records.h"
#include "core/library/store/database.h"

namespace moorfrost::library {

using KeptValues = std::map<FileId, std::vector<std::string>>;

class KeptTable {
public:
    explicit KeptTable(Database& db) : db_(db) {}

    /// Of those that have such values.
    KeptValues find(const std::string& field, const std::vector<FileId>& files);
    /// None: they have no such values any more. Files that are not known are left out.
    void save(const std::string& field, const KeptValues& values);

private:
    Database& db_;
};

} // namespace moorfrost::library
