// SPDX-License-Identifier: GPL-3.0-or-later
// Names of files in 25 styles, damaged in ten ways, of which it is known what they tell. Invented, the same
// every time for the same seed (docs/names.md).
#pragma once

#include <cstdint>
#include <string>
#include <vector>

#include "core/naming/free_reading.h"

namespace moorfrost::test {

struct NamedFile {
    Path path;
    tags::Fields truth; // only what the path tells
    bool artistKnown = false;
    std::string style;
    std::string damage; // "" if none
};

struct NamedFiles {
    std::vector<NamedFile> files;
    naming::KnownNames known; // half of the artists
};

/// About `count` files. `damaged`: so many folders in a hundred.
NamedFiles namedFiles(size_t count, uint64_t seed, unsigned damaged = 75);

struct NameScore {
    size_t right = 0, fields = 0;
    size_t wrongUnmarked = 0, files = 0; // files with a wrong field that are not marked as doubtful
    double share() const { return fields ? static_cast<double>(right) / static_cast<double>(fields) : 1; }
};
/// A field that is told and should not be counts as wrong, too. Spelling of letters and signs does not
/// matter.
NameScore scoreOf(const NamedFile& file, const naming::NameReading& reading);

} // namespace moorfrost::test
