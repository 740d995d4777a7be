// SPDX-License-Identifier: GPL-3.0-or-later
// How complete the description of a sleeve is: the parts of the tally, always in the same order.
#pragma once

#include <string>
#include <vector>

#include "core/tags/fields.h"

namespace moorfrost::matching {

enum class Met { Yes, Partly, No };

struct ReadinessPart {
    std::string name; // "Titles and artists"
    Met met = Met::No;
    std::string detail; // "3 of 4 files have a title"
    size_t gaps = 0;    // files that lack it
};

struct ReadinessInput {
    tags::Fields fields; // as they will be
    bool hasPicture = false;
};

/// Five parts: titles and artists, album, date, track numbers without gaps or doubles, front cover.
std::vector<ReadinessPart> readinessOf(const std::vector<ReadinessInput>& files);
/// Over the parts that Describe can mend, without the picture.
size_t gapsOf(const std::vector<ReadinessPart>& parts);

} // namespace moorfrost::matching
