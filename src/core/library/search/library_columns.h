// SPDX-License-Identifier: GPL-3.0-or-later
// The columns of a library on disk: from the snapshot beside it, or made anew.
#pragma once

#include <stop_token>

#include "core/library/search/columns.h"
#include "core/library/store/store.h"

namespace moorfrost::library {

/// Of what is on the shelves. Maps the snapshot where it still tells what the library holds; else reads the
/// library and leaves a new one (a disk that cannot take it does no harm). nullptr after a stop.
std::shared_ptr<const Columns> columnsOf(Store& store, std::stop_token stop = {});

/// Where the snapshot lies.
Path snapshotOf(const Path& library);

} // namespace moorfrost::library
