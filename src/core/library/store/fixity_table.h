// SPDX-License-Identifier: GPL-3.0-or-later
// The fixity of files, by their paths.
#pragma once

#include <optional>
#include <vector>

#include "core/library/records.h"
#include "core/library/store/database.h"

namespace moorfrost::library {

class FixityTable {
public:
    explicit FixityTable(Database& db) : db_(db) {}

    void save(const Fixity& fixity);
    std::optional<Fixity> find(const Path& path);
    std::vector<Fixity> all();
    /// It follows files that are moved, which may change places among themselves.
    void moveAll(const std::vector<std::pair<Path, Path>>& moves);

private:
    std::vector<Fixity> read(const Path* only);
    Database& db_;
};

} // namespace moorfrost::library
