// SPDX-License-Identifier: GPL-3.0-or-later
// When the fixity of files was compared, round by round, and what is due.
#pragma once

#include <optional>
#include <set>
#include <string>
#include <vector>

#include "core/library/records.h"
#include "core/library/store/database.h"

namespace moorfrost::library {

/// A night's work, or one that somebody asked for.
struct FixityRound {
    int64_t began = 0, ended = 0;  // seconds since 1970; `began` tells it apart
    uint64_t files = 0, bytes = 0; // that were read
    uint64_t taken = 0;            // of these, how many had no fixity before
    uint64_t trouble = 0;
    bool stopped = false; // before it was done
    bool operator==(const FixityRound&) const = default;
};

/// A file of a shelf.
struct FixityDue {
    FileId file = 0;
    Path path;
    uint64_t bytes = 0;
    int64_t shelf = 0;
    int64_t verified = 0;     // 0: it has no fixity
    std::string trouble = {}; // what was found last: "changed", "missing", "unreadable"; "": nothing
};

struct FixityStanding {
    uint64_t files = 0, bytes = 0; // on shelves
    uint64_t withFixity = 0, withBytes = 0;
    uint64_t trouble = 0;
    int64_t oldest = 0; // of those that have one, when it was compared; 0: none has
};

class FixityRoundTable {
public:
    explicit FixityRoundTable(Database& db) : db_(db) {}

    /// Those compared longest ago, and before that time, up to so many bytes, at least one; those without
    /// fixity first, if they are wanted at all. Those of `absentShelves` are passed over.
    std::vector<FixityDue> oldest(uint64_t bytes, bool withNew, int64_t before,
                                  const std::set<int64_t>& absentShelves = {});
    /// It was compared, or (without fixity) it could not get one. `trouble`: as FixityDue has it.
    void note(const Path& path, int64_t when, const std::string& trouble);
    FixityStanding standing();
    /// Files whose comparing found something last.
    std::vector<FixityDue> troubled();
    /// Compared last between these times, the latest first.
    std::vector<FixityDue> verifiedBetween(int64_t from, int64_t to, size_t most);

    void save(const FixityRound& round);
    /// Begun since then, the earliest first.
    std::vector<FixityRound> rounds(int64_t since);

private:
    std::vector<FixityDue> due(Statement& rows);

    Database& db_;
};

} // namespace moorfrost::library
