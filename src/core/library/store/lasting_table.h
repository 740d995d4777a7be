// SPDX-License-Identifier: GPL-3.0-or-later
// Long work that goes on after a restart: what was begun and has not ended yet.
#pragma once

#include <string>
#include <vector>

#include "core/library/store/database.h"

namespace moorfrost::library {

struct LastingWork {
    int64_t id = 0;
    std::string kind;    // "bring in", "read shelves"
    std::string details; // what it needs to go on, as whoever began it wrote them
};

class LastingTable {
public:
    explicit LastingTable(Database& db) : db_(db) {}

    /// The number is drawn by whoever begins it.
    void add(const LastingWork& work);
    void remove(int64_t id);
    std::vector<LastingWork> all(); // the earliest first

private:
    Database& db_;
};

} // namespace moorfrost::library
