// SPDX-License-Identifier: GPL-3.0-or-later
// Reading folders of which a library may know a part already.
#pragma once

#include <unordered_map>

#include "core/files/scan.h"
#include "core/library/store/store.h"

namespace moorfrost::library {

struct FoldersRead {
    files::ScanSummary summary;
    std::vector<FileId> unchanged; // they are as the library knows them, and were not read again
};

/// What the library knows of all files of some shelves, to be asked once instead of file by file.
using KnownStates = std::unordered_map<std::string, FileTable::Known>; // by path
KnownStates knownStates(Store& store);

/// Reads what is under `roots` unless the library knows it in the state it is in. `some` gets what was read,
/// in portions that come a few times a second, from a worker thread, one call at a time; storing it is its
/// matter; what it throws ends the reading and comes out here. The library is only read from. An Error where
/// it cannot be. `wanted`: as in files::ScanOptions. `known`: then the library is not asked file by file.
Result<FoldersRead> readFolders(const Path& library, const std::vector<Path>& roots, bool subfolders,
                                std::stop_token stop, work::Progress& progress,
                                const std::function<void(std::vector<files::ScannedFile>&&)>& some,
                                const std::function<bool(const files::FoundFile&)>& wanted = {},
                                const KnownStates* known = nullptr);

} // namespace moorfrost::library
