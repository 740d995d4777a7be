// SPDX-License-Identifier: GPL-3.0-or-later
// Files of shelves that are not where they were: marked as absent, and the mark taken away when they are
// back. One that was moved by others is followed: a file that is new to the library and has the same size,
// time of change and content is the one that is missed.
#pragma once

#include <stop_token>
#include <vector>

#include "core/library/store/store.h"
#include "core/work/progress.h"

namespace moorfrost::library {

struct AbsenceLook {
    std::vector<FileId> gone, back;                  // since the library last looked
    std::vector<std::pair<FileId, FileId>> followed; // the one that is missed, and the row of where it is now
    /// How many are gone and were not found anywhere else.
    size_t stillMissed() const;
    bool stopped = false; // then it is not all
};

/// Looks at the paths of all files of these shelves; reads none of them. Of a shelf whose folder is not there
/// (a disk that is not mounted) nothing is told. Changes nothing. Any thread; `store`: a connection of its
/// own.
AbsenceLook lookForAbsent(Store& store, const std::vector<Shelf>& shelves, std::stop_token stop,
                          work::Progress& progress);

/// Notes it in the library; what is otherwise by now is left alone. `now`: seconds since 1970.
void noteAbsent(Store& store, const AbsenceLook& look, int64_t now);

} // namespace moorfrost::library
