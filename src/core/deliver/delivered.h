// SPDX-License-Identifier: GPL-3.0-or-later
// Noting what was delivered, and telling what has changed since. On the thread of the store.
#pragma once

#include "core/library/store/delivery_table.h"
#include "core/library/store/store.h"

namespace moorfrost::deliver {

/// The tracks as they are now; those that are not known are left out.
std::vector<library::DeliveredItem> itemsNow(library::Store& store,
                                             const std::vector<library::FileId>& files);

struct DeliveredSince {
    std::vector<library::FileId> files; // all of it that the library still knows, in order
    size_t changed = 0;                 // their tags say otherwise by now
    size_t gone = 0;                    // not known any more
};
DeliveredSince since(library::Store& store, int64_t delivery);

} // namespace moorfrost::deliver
