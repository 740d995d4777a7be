// SPDX-License-Identifier: GPL-3.0-or-later
// Names read without a plan: what names of a folder have in common, who is known, and what is usual tell
// which part is what. docs/names.md says how, and how well. Any thread.
#pragma once

#include <stop_token>
#include <string>
#include <vector>

#include "core/naming/known_names.h"
#include "core/naming/read_names.h"

namespace moorfrost::naming {

/// Each file read as it is best read: its fields (title, artist, album, track, disc, date), the next best
/// reading, and how sure the first is. Files of one folder are read together. Nothing after a stop.
std::vector<NameReading> readFreely(const std::vector<Path>& paths, const KnownNames& known,
                                    std::stop_token stop = {});

struct PlanSuggestion {
    std::string plan;    // as text (docs/plans.md)
    size_t fits = 0;     // of how many files
    size_t doubtful = 0; // of these
    size_t first = 0;    // the first file that it fits
    NameReading sample;  // and what it gives
};
/// Plans that fit, the best first: those that are offered anyway (`usual`), and those that the names
/// themselves tell. Measured on at most 400 files.
std::vector<PlanSuggestion> suggestPlans(const std::vector<Path>& paths, const KnownNames& known,
                                         const std::vector<std::string>& usual, std::stop_token stop = {});

} // namespace moorfrost::naming
