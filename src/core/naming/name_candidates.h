// SPDX-License-Identifier: GPL-3.0-or-later
// The ways in which one name can be read, whatever speaks for each. Any thread.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/naming/known_names.h"
#include "core/naming/name_text.h"

namespace moorfrost::naming {

struct NameCandidate {
    std::string shape; // as a plan: "{position} {artist} - {title}"
    std::string artist, album, title, date;
    std::vector<std::string> guests = {};      // "(feat. X)"
    std::string artistKey, albumKey, titleKey; // KnownNames::keyOf
    std::optional<Position> position;
    int couldPeel = 0; // a position could be taken off, and is not: 1 perhaps, 2 very likely
    double base = 0;   // what is usual
};

/// Of a readable name (name_text). At most a few dozen; none for an empty one.
std::vector<NameCandidate> nameCandidates(const std::string& name, const KnownNames& known);

} // namespace moorfrost::naming
