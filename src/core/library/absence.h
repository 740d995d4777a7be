// SPDX-License-Identifier: GPL-3.0-or-later
// Files of shelves that are not where they were: marked as absent, and the mark taken away when they are
// back. One that was moved by others is followed: a file that is new to the library and has the same size,
// time of change and tags is the one that is missed, or one with the same sound, byte for byte.
#pragma once

#include <set>
#include <stop_token>
#include <vector>

#include "core/library/store/store.h"
#include "core/work/progress.h"

namespace moorfrost::library {

/// Why a file is held to be the one that is missed.
enum class MovedBy { SameState, SameSound, SameContent };

struct Followed {
    FileId missed = 0, now = 0; // `now`: the row of where it is
    MovedBy by = MovedBy::SameState;
    bool operator==(const Followed&) const = default;
};

struct AbsenceLook {
    std::vector<FileId> gone, back; // since the library last looked
    std::vector<Followed> followed;
    /// Shelves whose folder is not there, or is empty though the library knows of files in it: a disk that is
    /// not mounted. Nothing is told of their files.
    std::vector<int64_t> notThere;
    /// How many are gone and were not found anywhere else.
    size_t stillMissed() const;
    bool stopped = false; // then it is not all
};

/// Where to look: these folders, not what is inside them; these with all that is inside. Both empty: all.
struct Places {
    std::set<Path> folders, trees;
    bool has(const Path& file) const;
};

/// Whether the folder of a shelf can be read and something is in it; of a shelf without files any folder will
/// do.
bool isThere(const Shelf& shelf, bool hasFiles);

/// Looks at the paths of the files of these shelves in those places; of the sound of a file nothing is read
/// unless its size, time and tags do not tell and the essence of one that is missed is kept. Changes nothing.
/// Any thread; `store`: a connection of its own.
AbsenceLook lookForAbsent(Store& store, const std::vector<Shelf>& shelves, std::stop_token stop,
                          work::Progress& progress, const Places& places = {});

/// Notes it in the library; what is otherwise by now is left alone. `now`: seconds since 1970.
void noteAbsent(Store& store, const AbsenceLook& look, int64_t now);

} // namespace moorfrost::library
