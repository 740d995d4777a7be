// SPDX-License-Identifier: GPL-3.0-or-later
// What a person left as it is of what the audit found, and how much was found day by day. The findings
// themselves are worked out (library/findings).
#pragma once

#include <map>
#include <string>
#include <unordered_map>
#include <vector>

#include "core/library/store/database.h"

namespace moorfrost::library {

/// Left as it is, as long as the facts stay what they were.
struct LeftFinding {
    uint64_t key = 0; // of rule and what it is about (findings/finding)
    std::string rule, title;
    uint64_t facts = 0;
    std::string reason; // of who said so; may be blank
    int64_t when = 0;   // seconds since 1970
};

class FindingTable {
public:
    explicit FindingTable(Database& db) : db_(db) {}

    std::unordered_map<uint64_t, LeftFinding> left();
    void leave(const std::vector<LeftFinding>& findings);
    void bringBack(const std::vector<uint64_t>& keys);

    /// In the place of what was counted on that day (ISO 8601).
    void count(const std::string& day, const std::map<std::string, size_t>& byRule);
    /// On which day (since 1970) each was found first, by keys.
    std::vector<std::pair<uint64_t, int32_t>> since();
    void setSince(const std::vector<std::pair<uint64_t, int32_t>>& found, const std::vector<uint64_t>& gone);

    /// The last days on which anything was counted, the earliest first.
    std::vector<std::pair<std::string, std::map<std::string, size_t>>> counts(size_t days);

private:
    Database& db_;
};

} // namespace moorfrost::library
