// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/store/family_table.h"

namespace moorfrost::library {

std::vector<RecordingId> FamilyTable::members(const std::string& family) {
    std::vector<RecordingId> out;
    Statement s(db_, "SELECT recording FROM recording_value WHERE field='family' AND position=0 AND value=?"
                     " ORDER BY recording");
    s.bind(family);
    while (s.step())
        out.push_back(s.integer(0));
    return out;
}

std::vector<std::string> FamilyTable::all() {
    std::vector<std::string> out;
    Statement s(db_, "SELECT DISTINCT value FROM recording_value WHERE field='family' AND position=0");
    while (s.step())
        out.push_back(s.string(0));
    return out;
}

} // namespace moorfrost::library
