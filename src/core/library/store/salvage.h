// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the store: taking out of a damaged library what can still be read of it.
#pragma once

#include "core/library/store/keeping.h"

namespace moorfrost::library {

class Database;

/// Fills `fresh`, an empty library of the version of today, row by row; what cannot be read, or is no more
/// what it was, is left out, with all that belongs to it. Files keep their numbers. Throws DatabaseError only
/// when `fresh` cannot be written.
Salvage salvage(const Path& damaged, Database& fresh);

} // namespace moorfrost::library
