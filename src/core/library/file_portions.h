// SPDX-License-Identifier: GPL-3.0-or-later
// Long work on very many files, some at a time, so that what came of it is kept as it goes on.
#pragma once

#include <functional>
#include <stop_token>
#include <vector>

#include "core/base/result.h"
#include "core/library/records.h"
#include "core/work/progress.h"

namespace moorfrost::library {

struct FilePortions {
    size_t most = 64; // files at a time
    /// Of some files those that have to be worked on. On the thread that calls workInPortions().
    std::function<std::vector<FileRecord>(const std::vector<FileId>&)> unknown;
    /// One file; on several threads at once.
    std::function<void(const FileRecord&)> work;
    /// Behind each portion, on the thread of `unknown`: keeps what came of it, and tells of how many files.
    std::function<size_t()> end;
};

/// On so many threads (0: one a processor). How many were worked on; an Error (Cancelled) after a stop.
Result<size_t> workInPortions(const std::vector<FileId>& files, const FilePortions& portions,
                              unsigned threads, const std::stop_token& stop, work::Progress& progress);

} // namespace moorfrost::library
