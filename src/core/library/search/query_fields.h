// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the search: what a query can ask beside the fields of the tags.
#pragma once

#include "core/library/search/query.h"

namespace moorfrost::library {

struct Special {
    const char* name;
    ValueKind kind;
    const char* label;
};

/// nullptr for everything else.
const Special* specialOf(std::string_view name);
std::vector<std::string> specialNames();

} // namespace moorfrost::library
