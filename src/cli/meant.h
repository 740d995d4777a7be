// SPDX-License-Identifier: GPL-3.0-or-later
// Which tracks of the library a command is about: what a query finds, a list, a release, or files by their
// paths.
#pragma once

#include <optional>

#include "cli/common.h"

namespace moorfrost::cli {

struct Meant {
    std::vector<library::FileId> files;
    std::string name; // for people; "" where they go by themselves
};
/// nullopt after saying why.
std::optional<Meant> tracksMeant(library::Store& store, const Options& options);

} // namespace moorfrost::cli
