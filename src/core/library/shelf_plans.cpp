// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/shelf_plans.h"

#include <cstdlib>

namespace moorfrost::library {

std::map<int64_t, std::string> shelfPlansFrom(const settings::Strings& lines) {
    std::map<int64_t, std::string> out;
    for (const std::string& line : lines)
        if (const size_t tab = line.find('\t'); tab != std::string::npos && tab + 1 < line.size())
            if (const int64_t shelf = std::atoll(line.c_str()); shelf > 0)
                out[shelf] = line.substr(tab + 1);
    return out;
}

settings::Strings withShelfPlan(const settings::Strings& lines, int64_t shelf, const std::string& plan) {
    std::map<int64_t, std::string> plans = shelfPlansFrom(lines);
    plans[shelf] = plan;
    settings::Strings out;
    for (const auto& [id, text] : plans)
        out.push_back(std::to_string(id) + "\t" + text);
    return out;
}

} // namespace moorfrost::library
