// SPDX-License-Identifier: GPL-3.0-or-later
// By which plan the files of each shelf were put away last: kept as a setting of the library. Any thread.
#pragma once

#include <map>

#include "core/library/settings.h"

namespace moorfrost::library {

namespace settings {
inline const Setting<Strings> shelfPlans{"plans of shelves", {}}; // each "number\tplan"
} // namespace settings

/// By the number of the shelf, as text; what cannot be read is left out.
std::map<int64_t, std::string> shelfPlansFrom(const settings::Strings& lines);
/// With another plan for this shelf.
settings::Strings withShelfPlan(const settings::Strings& lines, int64_t shelf, const std::string& plan);

} // namespace moorfrost::library
