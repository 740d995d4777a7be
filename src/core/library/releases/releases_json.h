// SPDX-License-Identifier: GPL-3.0-or-later
// Releases as JSON, one object a release (docs/cli.md): all that is known of one, and where it came from; and
// back into a library. On the thread of the store.
#pragma once

#include <string>
#include <string_view>

#include "core/library/releases/release_changes.h"

namespace moorfrost::library {

/// Files are told by their paths: what is no UTF-8 is escaped, as everywhere on the command line.
std::string releaseJson(Store& store, const ReleaseView& view);

struct ReleasesTaken {
    size_t made = 0;
    size_t there =
        0; // those that the library has already: the same title, labels, barcode, dates and carrier
    int64_t change = 0;
    std::vector<std::string> troubles; // a sentence for each line that was left out
};
/// Each line one object, as releaseJson() has it. Recordings are found by the files that stand at their
/// tracks. All of it is one change.
Result<ReleasesTaken> takeReleases(Store& store, std::string_view lines);

} // namespace moorfrost::library
