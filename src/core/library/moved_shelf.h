// SPDX-License-Identifier: GPL-3.0-or-later
// A shelf whose folder is at another place now: the paths of all its files are rewritten. No file is touched.
#pragma once

#include <stop_token>

#include "core/library/store/store.h"

namespace moorfrost::library {

struct MovedShelf {
    size_t files = 0; // that the library knows on it
    size_t found = 0; // that stand at the same place in the new folder
};

/// Any thread; `store`: a connection of its own. An Error (Cancelled) after a stop.
Result<MovedShelf> lookAtMoved(Store& store, const Shelf& shelf, const Path& to, std::stop_token stop);

/// All of it in one transaction. An Error (Invalid) where that folder is a shelf already, or stands in the
/// shelf.
Status moveShelf(Store& store, const Shelf& shelf, const Path& to);

} // namespace moorfrost::library
