// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the module: names of files as they stand in manifests (RFC 8493, 2.1.3): line ends and the sign that
// escapes them are escaped. Any thread.
#pragma once

#include <string>

#include "core/base/result.h"

namespace moorfrost::deliver {

std::string bagName(const std::string& name);
std::string fromBagName(const std::string& name);
/// Whether a name would lead out of the package, or means something else there.
bool climbsOut(const std::string& name);

} // namespace moorfrost::deliver
