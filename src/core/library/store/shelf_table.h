// SPDX-License-Identifier: GPL-3.0-or-later
// The folders in which the library lies.
#pragma once

#include <string>
#include <vector>

#include "core/library/records.h"
#include "core/library/store/database.h"

namespace moorfrost::library {

class ShelfTable {
public:
    explicit ShelfTable(Database& db) : db_(db) {}

    /// A folder that is a shelf already stays the one that it is. Returns its number.
    int64_t add(const std::string& name, const Path& path);
    void rename(int64_t id, const std::string& name);
    void setPath(int64_t id, const Path& path);
    /// Its files are forgotten, but for those of a batch, which are on no shelf any more. No file is touched.
    void remove(int64_t id);
    std::vector<Shelf> all();

private:
    Database& db_;
};

} // namespace moorfrost::library
