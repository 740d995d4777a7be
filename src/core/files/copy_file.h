// SPDX-License-Identifier: GPL-3.0-or-later
// A file as it is, byte for byte, at a place where nothing is. Any thread.
#pragma once

#include <functional>
#include <stop_token>
#include <string_view>

#include "core/base/result.h"

namespace moorfrost::files {

/// How many bytes it has. Where it fails, or is stopped (Cancelled), nothing is left at the target. `read`:
/// told of bytes as they are copied.
Result<uint64_t> copyFile(const Path& source, const Path& target, std::stop_token stop,
                          const std::function<void(std::string_view)>& read = {});

} // namespace moorfrost::files
