// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/placing_rules.h"

#include <algorithm>
#include <cstdlib>

#include "core/text/text.h"

namespace moorfrost::library {

PlacingRules placingRulesFrom(const settings::Strings& lines) {
    PlacingRules out;
    for (const std::string& line : lines) {
        std::vector<std::string> parts = text::split(line, "\t"); // number, plan, names, along
        const int64_t shelf = std::atoll(parts[0].c_str());
        if (shelf <= 0 || parts.size() < 2)
            continue;
        PlacingRule& rule = out[shelf];
        rule.plan = parts[1];
        if (parts.size() > 2 && !parts[2].empty())
            rule.names = files::profileFromKey(parts[2]);
        if (parts.size() > 3)
            rule.along = placing::AlongRule::fromText(parts[3]);
    }
    return out;
}

settings::Strings toLines(const PlacingRules& rules) {
    settings::Strings out;
    for (const auto& [shelf, rule] : rules) {
        std::string line = std::to_string(shelf) + "\t" + rule.plan;
        if (rule.names || rule.along != placing::AlongRule())
            line += "\t" + (rule.names ? files::profileKey(*rule.names) : "") + "\t" + rule.along.text();
        out.push_back(line);
    }
    return out;
}

settings::Strings withShelfPlan(const settings::Strings& lines, int64_t shelf, const std::string& plan) {
    PlacingRules rules = placingRulesFrom(lines);
    rules[shelf].plan = plan;
    return toLines(rules);
}

files::NameProfile namesOn(const PlacingRules& rules, int64_t shelf, files::NameProfile ofAll,
                           files::NameProfile diskHolds) {
    if (const auto at = rules.find(shelf); at != rules.end() && at->second.names)
        return *at->second.names;
    return std::max(ofAll, diskHolds); // the later ones are stricter
}

} // namespace moorfrost::library
