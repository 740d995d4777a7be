// SPDX-License-Identifier: GPL-3.0-or-later
// How each shelf keeps its files: the plan by which they were put away last, what their names must suit, and
// what goes along with them. Kept in the settings as lines of text.
#pragma once

#include <map>
#include <optional>
#include <string>

#include "core/files/safe_name.h"
#include "core/library/settings.h"
#include "core/placing/along_rule.h"

namespace moorfrost::library {

namespace settings {
inline const Setting<Strings> shelfPlans{"plans of shelves", {}}; // each as toLines() writes it
}

struct PlacingRule {
    std::string plan;                        // "": nothing was put away there yet
    std::optional<files::NameProfile> names; // chosen by hand; nullopt: as it is found, and as all have it
    placing::AlongRule along = {};
    bool operator==(const PlacingRule&) const = default;
};
/// By the number of the shelf.
using PlacingRules = std::map<int64_t, PlacingRule>;

/// Lines that make no sense are passed over.
PlacingRules placingRulesFrom(const settings::Strings& lines);
settings::Strings toLines(const PlacingRules& rules);
/// The same lines, with that plan for the shelf.
settings::Strings withShelfPlan(const settings::Strings& lines, int64_t shelf, const std::string& plan);

/// What names on that shelf must suit: what was chosen by hand; else what all have, and what the disk can
/// hold where that is less.
files::NameProfile namesOn(const PlacingRules& rules, int64_t shelf, files::NameProfile ofAll,
                           files::NameProfile diskHolds);

} // namespace moorfrost::library
