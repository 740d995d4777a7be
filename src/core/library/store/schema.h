// SPDX-License-Identifier: GPL-3.0-or-later
// The tables of the library, as numbered migrations.
#pragma once

#include <vector>

namespace moorfrost::library {

/// Migration n brings a library from version n to n + 1.
const std::vector<const char*>& migrations();

} // namespace moorfrost::library
