// SPDX-License-Identifier: GPL-3.0-or-later
// Plans read backwards: from the path of a file to the values of fields. Where a path can be read in several
// ways, the artists already known, and what the other files of the same folder say, decide; what stays open
// is doubtful.
#pragma once

#include <set>
#include <string>
#include <vector>

#include "core/base/result.h"
#include "core/naming/plan.h"
#include "core/tags/fields.h"

namespace moorfrost::naming {

struct NameReading {
    bool fits = false;
    bool doubtful = false;
    std::string why;         // a sentence: why it does not fit or is doubtful
    tags::Fields values;     // the best reading; empty when it does not fit
    tags::Fields other = {}; // the next best one; empty where there is none
    double certainty = 1;    // of the best beside the others: 0.5 to 1
};

/// `knownArtists` in text::fold() form.
std::vector<NameReading> readNames(const Plan& plan, const std::vector<Path>& paths,
                                   const std::set<std::string>& knownArtists);

} // namespace moorfrost::naming
