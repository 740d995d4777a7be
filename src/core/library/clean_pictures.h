// SPDX-License-Identifier: GPL-3.0-or-later
// Removing the pictures beside a library that neither a draft nor the journal needs any more.
#pragma once

#include "core/base/result.h"

namespace moorfrost::library {

/// Those that were added less than a day ago stay, whoever added them. Where the library cannot be read
/// nothing is removed. Bytes that became free. Any thread.
Result<uint64_t> cleanPictures(const Path& library);

} // namespace moorfrost::library
