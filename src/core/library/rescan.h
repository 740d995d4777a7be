// SPDX-License-Identifier: GPL-3.0-or-later
// Looking through shelves in one go: what is new, changed, moved by others, gone or there again, brought into
// the library at once.
#pragma once

#include "core/library/absence.h"
#include "core/library/read_folders.h"

namespace moorfrost::library {

struct Rescan {
    files::ScanSummary summary;
    AbsenceLook absence;
    /// Where the files that were moved were and are.
    struct Move {
        Path from, to;
        MovedBy by = MovedBy::SameState;
    };
    std::vector<Move> moves;
};

/// On the thread of the store. An Error where the library cannot be read or written.
Result<Rescan> rescan(Store& store, const std::vector<Shelf>& shelves, std::stop_token stop,
                      work::Progress& progress);

} // namespace moorfrost::library
