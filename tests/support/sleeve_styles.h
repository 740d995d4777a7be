// SPDX-License-Identifier: GPL-3.0-or-later
// Folders as people hand them in, in twenty-seven styles, of which it is known what belongs together.
// Invented, the same every time for the same seed.
#pragma once

#include <functional>
#include <map>

#include "core/matching/sleeves.h"
#include "support/invented.h"

namespace moorfrost::test {

struct StyledFiles {
    std::vector<matching::SleeveInput> files;
    std::map<int64_t, int> release;          // of each file; every stray has one of its own
    std::map<int64_t, const char*> style;    // of each file
    std::map<std::string, size_t> foldersOf; // of each style
};

/// About `folders` folders.
StyledFiles styledFiles(size_t folders, uint64_t seed);

/// Pairs of files: of those put together, how many are of one release; of those of one release, how many were
/// put together.
struct PairsFound {
    size_t right = 0, together = 0, all = 0;
    double precision() const {
        return together ? static_cast<double>(right) / static_cast<double>(together) : 1;
    }
    double recall() const { return all ? static_cast<double>(right) / static_cast<double>(all) : 1; }
};
/// Over all ("") and by style: of pairs whose files are of two styles, those of the first.
std::map<std::string, PairsFound> pairsFound(const StyledFiles& truth,
                                             const std::vector<matching::Sleeve>& sleeves);

} // namespace moorfrost::test
