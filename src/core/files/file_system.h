// SPDX-License-Identifier: GPL-3.0-or-later
// What the disk below a folder is and can hold, found by asking the system (statfs(2), statvfs(3)).
#pragma once

#include <cstdint>
#include <functional>
#include <string>
#include <system_error>

#include "core/base/result.h"
#include "core/files/safe_name.h"

namespace moorfrost::files {

struct FileSystem {
    std::string name;                       // "ext4", "vfat" ...; "" for one that is not known
    NameProfile holds = NameProfile::Linux; // the names that it can hold
    bool foldsCase = false;                 // "a" and "A" are one name
    bool readOnly = false;
    uint64_t free = UINT64_MAX; // bytes that this user may write, less a reserve
};

/// Calls `each` with the name of everything in the folder, in no order; `error` tells where it cannot be
/// read.
void eachEntry(const Path& folder, const std::function<void(const std::string& name)>& each,
               std::error_code& error);

/// Of the folder itself, or the nearest one above it that is there.
FileSystem fileSystemOf(const Path& folder);

} // namespace moorfrost::files
