// SPDX-License-Identifier: GPL-3.0-or-later
// Makes the demo folders on disk.
#pragma once

#include <functional>

#include "core/base/result.h"

namespace moorfrost::demo {

/// What is kept from another version is made anew.
constexpr const char* demoVersion = "moorfrost-demo 8\n";

struct MadeDemo {
    size_t sounds = 0;
    Path incoming; // the messy folders
    Path shelf;    // an empty folder to put things away on
    Path discs;    // images of three discs
};

/// Into `root`, which may exist; what a former run made there is left as it is if `keep`, else made anew.
Result<MadeDemo> makeDemo(const Path& root, bool keep,
                          const std::function<void(size_t done, size_t all)>& progress = {});

} // namespace moorfrost::demo
