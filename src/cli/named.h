// SPDX-License-Identifier: GPL-3.0-or-later
// What commands are told by a number, a name or a file.
#pragma once

#include <optional>

#include "cli/common.h"
#include "core/library/releases/release_view.h"

namespace moorfrost::cli {

/// By the number of a release, or by the place of a file of it; nullopt after saying why.
std::optional<library::ReleaseRef> releaseNamed(library::Store& store, const std::string& name);
/// A file to its end, of "-" what comes in; nullopt after saying why.
std::optional<std::string> readWhole(const std::string& name);

} // namespace moorfrost::cli
