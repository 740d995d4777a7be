// SPDX-License-Identifier: GPL-3.0-or-later
// Where the programs are that ship with this one and are started by it, and what else ships with it.
#pragma once

#include <filesystem>
#include <string>

#include "core/base/result.h"

namespace moorfrost {

/// "libexec" beside or above this program, in the build as when installed; else its name alone.
Path helperProgram(const std::string& name);
/// The folder of that name in "share/moorfrost" beside or above this program; empty where there is none.
Path sharedFolder(const std::string& name);

} // namespace moorfrost
