// SPDX-License-Identifier: GPL-3.0-or-later
// A small file of text, all at once. Any thread.
#pragma once

#include <cstdint>
#include <string>

#include "core/base/result.h"

namespace moorfrost::files {

/// An Error where it cannot be read, is no plain file, or is larger than `most` bytes.
Result<std::string> wholeFile(const Path& file, uint64_t most = 32u << 20);

} // namespace moorfrost::files
