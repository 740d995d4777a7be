// SPDX-License-Identifier: GPL-3.0-or-later
// The files of releases on the shelves, read some at a time. On the thread of the store.
#pragma once

#include <functional>
#include <stop_token>

#include "core/library/search/sleeves.h"
#include "core/library/store/store.h"
#include "core/work/progress.h"

namespace moorfrost::library {

/// Calls `each(sleeve, files)` for those of the sleeves whose files are known, until a stop. The files are in
/// the order of the rows; some may be gone.
void eachSleeve(Store& store, const Searcher& searcher, const RowsBySleeve& sleeves, std::stop_token stop,
                work::Progress& progress,
                const std::function<void(size_t sleeve, std::vector<FileRecord>&& files)>& each);

} // namespace moorfrost::library
