// SPDX-License-Identifier: GPL-3.0-or-later
// What the commands share.
#pragma once

#include <memory>
#include <string>
#include <vector>

#include "cli/commands.h"
#include "core/library/store/store.h"

namespace moorfrost::cli {

/// A sentence on standard error.
void say(const std::string& sentence);
/// nullptr, after saying why, if it cannot be opened. What a crash left is put right, and told.
std::unique_ptr<library::Store> openLibrary(const Options& options);
std::vector<Path> pathsOf(const Options& options);

} // namespace moorfrost::cli
