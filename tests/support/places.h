// SPDX-License-Identifier: GPL-3.0-or-later
// Where the sources and the programs of this build are. Told here alone, so that what is compiled of all
// other tests is the same in every clone.
#pragma once

#include "core/base/result.h"

namespace moorfrost::test {

/// In the sources: "tests/support/...", "docs/...".
Path inSources(const std::string& below);
/// In the build: "src/cli/moorfrost-cli".
Path inBuild(const std::string& below);

} // namespace moorfrost::test
