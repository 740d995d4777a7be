// SPDX-License-Identifier: GPL-3.0-or-later
// What moorfrost-cli understands: the one source of its help, its page of the manual and what shells
// complete.
#pragma once

#include <CLI/CLI.hpp>

#include "cli/commands.h"

namespace moorfrost::cli {

/// nullptr: what is said about the program itself.
using Command = int (*)(const Options&);

inline constexpr const char* whatItIs =
    "Moorfrost for scripts. Prints JSON Lines; messages go to standard error.";
inline constexpr const char* exitCodes = "0 all is well, 1 some files failed, 2 it was asked wrongly.";

/// Both must outlive the app; parsing fills them.
void describe(CLI::App& app, Options& options, Command& command);

} // namespace moorfrost::cli
