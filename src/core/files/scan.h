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

/// A file that may be sound, as the folders tell it. Nothing of it has been read.
struct FoundFile {
    Path path; // absolute; the bytes exactly as the system gave them
    FileState state;
    std::string error;              // a sentence, where it is nothing that can be read (a pipe, a loop ...)
    std::vector<std::string> notes; // sentences: a link, a sparse file, a name that only looks like another
};

struct ScannedFile {
    Path path;
    FileState state;
    std::optional<tags::TagFile> tags; // absent where nothing could be read
    std::string error;                 // the reason, a sentence; "" where all is well
};

struct ScanOptions {
    bool subfolders = true;
    unsigned threads = 0; // 0: as many as there are processors, at most 8
    /// What is known of files from before. Those that are still in this state are not read again.
    std::function<std::optional<FileState>(const Path&)> known = {};
    /// The rest is left alone; absent: all.
    std::function<bool(const FoundFile&)> wanted = {};
};

struct ScanSummary {
    uint64_t read = 0;
    uint64_t failed = 0;
    uint64_t unchanged = 0; // as known, so not read
    uint64_t others = 0;    // files that are not sound
    bool stopped = false;
    std::vector<Error> folders; // folders and starting points that could not be opened
};

/// The files under `roots` that are named like sound or begin like it (files named directly are always
/// taken), and what only looks like such a file. Links are followed, each folder is looked through once. Only
/// regular files are ever opened.
std::vector<FoundFile> findFiles(const std::vector<Path>& roots, bool subfolders, std::stop_token stop,
                                 ScanSummary& summary);

/// The same, told folder by folder.
using FoundSome = std::function<void(std::vector<FoundFile>&&)>;
void findFiles(const std::vector<Path>& roots, bool subfolders, std::stop_token stop, ScanSummary& summary,
               const FoundSome& found);

/// A file that is not sound, beside the sound: a picture, a booklet, a log.
struct OtherFile {
    Path path;
    uint64_t size = 0;
    bool operator==(const OtherFile&) const = default;
};

/// The regular files of a folder, not of those inside it, that are not named like sound; by name. Empty if it
/// cannot be read.
std::vector<OtherFile> otherFilesIn(const Path& folder);

/// The same for one path, whatever its name.
FoundFile findFile(const Path& path);

/// Calls `found` for every file that was read, one call at a time, from a worker thread, in no particular
/// order; `unchanged`, if given, for every other.
ScanSummary scan(const std::vector<Path>& roots, const ScanOptions& options, std::stop_token stop,
                 work::Progress& progress, const std::function<void(ScannedFile)>& found,
                 const std::function<void(const Path&)>& unchanged = {});

/// One file, read now.
ScannedFile scanFile(const Path& path);

} // namespace moorfrost::files
