// SPDX-License-Identifier: GPL-3.0-or-later
// What the tags of a release's files are to say, by the rules of what goes into tags. Any thread.
#pragma once

#include <set>

#include "core/library/releases/release_view.h"

namespace moorfrost::library {

/// Facts of tracks that have a field, beside those of the table of facts: "track title", "track artist",
/// "track number", "track code".
const std::vector<std::pair<std::string, std::string>>& trackFacts(); // and the field of each

/// Fields of the files of one track. What is not known leaves its field alone; what is known to be none
/// blanks it. `leftOut`: keys of facts that do not go into tags.
tags::Fields tagsOfTrack(const ReleaseView& release, size_t medium, size_t number,
                         const std::set<std::string>& leftOut);

} // namespace moorfrost::library
