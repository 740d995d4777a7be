// SPDX-License-Identifier: GPL-3.0-or-later
// Which recordings are versions of one: a value of each recording ("family": the number of the family, the
// kind of version, details, its place), found by the family here. Nothing here is journalled:
// library/families does that.
#pragma once

#include <map>
#include <string>
#include <vector>

#include "core/library/store/recording_table.h"

namespace moorfrost::library {

inline constexpr const char* familyField = "family";

class FamilyTable {
public:
    explicit FamilyTable(Database& db) : db_(db) {}

    /// Recordings of a family, in the order of their numbers.
    std::vector<RecordingId> members(const std::string& family);
    /// All families that there are.
    std::vector<std::string> all();

private:
    Database& db_;
};

} // namespace moorfrost::library
