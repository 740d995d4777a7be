// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the store: what brings a library from one version to the next.
#pragma once

#include <vector>

#include "core/library/store/database.h"

namespace moorfrost::library {

struct Migration {
    const char* sql;
    void (*work)(Database&) = nullptr; // after the SQL, in the same transaction
};

/// Number n brings a library of version n to n + 1. Never changed once released.
const std::vector<Migration>& migrations();

/// 4 -> 5: the values, pictures and details of each file become its content (tags/packed).
void packContents(Database& db);

} // namespace moorfrost::library
