// SPDX-License-Identifier: GPL-3.0-or-later
// A library made by a number, of which it is known which releases are editions of one and which files are
// versions of one recording: with remasters, longer editions, other spellings, missing tracks; and with what
// only looks alike: albums called after their artist, singles, anthologies, concerts, series.
#pragma once

#include <map>
#include <vector>

#include "core/library/records.h"

namespace moorfrost::test {

struct EditionWorld {
    std::vector<library::FileRecord> files;
    std::map<library::FileId, int> setOf; // the same for the files of all editions of one release
    std::map<library::FileId, int>
        familyOf; // the same for all versions of a recording, of those with several
};
EditionWorld editionWorld(size_t tracks, unsigned seed);

} // namespace moorfrost::test
