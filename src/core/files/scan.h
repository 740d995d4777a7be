// SPDX-License-Identifier: GPL-3.0-or-later
// Finding the files under folders and reading what they hold, on several threads, stoppable.
#pragma once

#include <functional>
#include <optional>
#include <stop_token>
#include <vector>

#include "core/tags/tag_file.h"
#include "core/work/progress.h"

namespace moorfrost::files {

/// What makes a file the one that was read: if any of it differs, others have been at it.
struct FileState {
    uint64_t size = 0;
    int64_t modifiedNs = 0; // since 1970, nanoseconds
    bool operator==(const FileState&) const = default;
};

Result<FileState> stateOf(const Path& path);

struct ScannedFile {
    Path path; // absolute; the bytes exactly as the system gave them
    FileState state;
    std::optional<tags::TagFile> tags; // absent where nothing could be read
    std::string error;                 // the reason, a sentence; "" where all is well
};

struct ScanOptions {
    bool subfolders = true;
    unsigned threads = 0; // 0: as many as there are processors, at most 8
};

struct ScanSummary {
    uint64_t read = 0;
    uint64_t failed = 0;
    uint64_t others = 0; // files that are not sound by their name
    bool stopped = false;
    std::vector<Error> folders; // folders and starting points that could not be opened
};

/// The files that look like sound by their name, under `roots` (files named directly are always taken). Links
/// to files are followed, links to folders too, each folder once.
std::vector<Path> findFiles(const std::vector<Path>& roots, bool subfolders, std::stop_token stop,
                            ScanSummary& summary);

/// Calls `found` for every file, one call at a time, from a worker thread, in no particular order.
ScanSummary scan(const std::vector<Path>& roots, const ScanOptions& options, std::stop_token stop,
                 work::Progress& progress, const std::function<void(ScannedFile)>& found);

/// One file, read now.
ScannedFile scanFile(const Path& path);

} // namespace moorfrost::files
