// SPDX-License-Identifier: GPL-3.0-or-later
// Files packed into one (ZIP, by libarchive): stored as they are, for sound does not get smaller. Any thread.
#pragma once

#include <stop_token>
#include <string>
#include <vector>

#include "core/base/result.h"

namespace moorfrost::exchange {

struct ZipEntry {
    std::string name; // in the archive, UTF-8, without a path that climbs out
    Path file;
};
/// How many bytes it has. What is there already is replaced as a whole or not at all. An Error (Invalid) for
/// a name that would climb out, (Cancelled) after a stop.
Result<uint64_t> writeZip(const Path& target, const std::vector<ZipEntry>& entries,
                          std::stop_token stop = {});

} // namespace moorfrost::exchange
