// SPDX-License-Identifier: GPL-3.0-or-later
// ISRCs that were given out by us, each once and for good: a code that was given is never given again,
// whether it was written or not.
#pragma once

#include <string>
#include <vector>

#include "core/library/store/database.h"
#include "core/library/store/recording_table.h"

namespace moorfrost::library {

struct OwnIsrc {
    std::string code; // plain
    RecordingId recording = 0;
    std::string title, artist; // as they were then
    int64_t when = 0;          // seconds since 1970
};

class OwnIsrcTable {
public:
    explicit OwnIsrcTable(Database& db) : db_(db) {}

    /// By code.
    std::vector<OwnIsrc> all();
    /// Those of a registrant and year ("ZZFSR26").
    std::vector<OwnIsrc> beginningWith(const std::string& series);
    /// A DatabaseError where one of the codes was given already: then none is.
    void add(const std::vector<OwnIsrc>& codes);

private:
    std::vector<OwnIsrc> read(const std::string& series);
    Database& db_;
};

} // namespace moorfrost::library
