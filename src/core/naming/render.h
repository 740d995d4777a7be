// SPDX-License-Identifier: GPL-3.0-or-later
// From fields to the parts of a path, by a plan. The parts are text; files/safe_name makes names of them.
#pragma once

#include <functional>
#include <map>
#include <string>
#include <vector>

#include "core/naming/plan.h"
#include "core/tags/fields.h"

namespace moorfrost::naming {

struct RenderInput {
    const tags::Fields& fields;
    const std::map<std::string, std::string>& facts;     // by factNames()
    std::function<bool(const std::string& key)> several; // does the album have more than one? absent: no
};

struct Rendered {
    std::vector<std::string> parts;   // folders first, the name of the file last, without its ending
    std::vector<std::string> missing; // keys of the fields that had no value where one was wanted
};

Rendered render(const Plan& plan, const RenderInput& input);

} // namespace moorfrost::naming
