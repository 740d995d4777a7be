// SPDX-License-Identifier: GPL-3.0-or-later
// Absent files looked for in other folders: by the essence of their sound, by size, time and tags, by name
// and length; each with why. A person decides; then the library follows.
#pragma once

#include <stop_token>

#include "core/library/store/store.h"
#include "core/work/progress.h"

namespace moorfrost::library {

struct FoundAgain {
    /// The surest first.
    enum class By { SameSound, SameState, NameAndLength, Nothing };
    FileId missed = 0;
    Path was;
    By by = By::Nothing;
    std::string told; // a sentence
    /// What is there, read; no path: nothing was found.
    files::ScannedFile now;
};

/// One answer for each of these that is absent. Files that the library knows as others are not taken, but for
/// those that came to it after the one that is missed and of which nothing is kept. `store`: a connection of
/// its own. After a stop the rest is left out.
std::vector<FoundAgain> findAgain(Store& store, const std::vector<FileId>& absent,
                                  const std::vector<Path>& folders, std::stop_token stop,
                                  work::Progress& progress);

/// The library follows those that were found. How many it did: one that is otherwise by now is left alone.
size_t follow(Store& store, const std::vector<FoundAgain>& found);

} // namespace moorfrost::library
