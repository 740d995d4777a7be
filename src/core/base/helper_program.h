// SPDX-License-Identifier: GPL-3.0-or-later
// Where the programs are that ship with this one and are started by it.
#pragma once

#include <filesystem>
#include <string>

#include "core/base/result.h"

namespace moorfrost {

/// "libexec" beside or above this program, in the build as when installed; else its name alone.
Path helperProgram(const std::string& name);

} // namespace moorfrost
