// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/store/finding_table.h"

#include <algorithm>

namespace moorfrost::library {

std::unordered_map<uint64_t, LeftFinding> FindingTable::left() {
    std::unordered_map<uint64_t, LeftFinding> out;
    Statement rows(db_, "SELECT key, rule, title, facts, reason, \"when\" FROM finding_left");
    while (rows.step()) {
        LeftFinding one;
        one.key = static_cast<uint64_t>(rows.integer(0));
        one.rule = rows.string(1);
        one.title = rows.string(2);
        one.facts = static_cast<uint64_t>(rows.integer(3));
        one.reason = rows.string(4);
        one.when = rows.integer(5);
        out[one.key] = std::move(one);
    }
    return out;
}

void FindingTable::leave(const std::vector<LeftFinding>& findings) {
    Transaction transaction(db_);
    Statement insert(db_, "INSERT OR REPLACE INTO finding_left (key, rule, title, facts, reason, \"when\") "
                          "VALUES (?, ?, ?, ?, ?, ?)");
    for (const LeftFinding& one : findings)
        insert.bind(static_cast<int64_t>(one.key))
            .bind(one.rule)
            .bind(one.title)
            .bind(static_cast<int64_t>(one.facts))
            .bind(one.reason)
            .bind(one.when)
            .run();
    transaction.commit();
}

void FindingTable::bringBack(const std::vector<uint64_t>& keys) {
    Transaction transaction(db_);
    Statement remove(db_, "DELETE FROM finding_left WHERE key = ?");
    for (const uint64_t key : keys)
        remove.bind(static_cast<int64_t>(key)).run();
    transaction.commit();
}

void FindingTable::count(const std::string& day, const std::map<std::string, size_t>& byRule) {
    Transaction transaction(db_);
    Statement(db_, "DELETE FROM finding_count WHERE day = ?").bind(day).run();
    Statement insert(db_, "INSERT INTO finding_count (day, rule, count) VALUES (?, ?, ?)");
    for (const auto& [rule, count] : byRule)
        insert.bind(day).bind(rule).bind(static_cast<int64_t>(count)).run();
    transaction.commit();
}

std::vector<std::pair<std::string, std::map<std::string, size_t>>> FindingTable::counts(size_t days) {
    std::vector<std::pair<std::string, std::map<std::string, size_t>>> out;
    Statement rows(db_, "SELECT day, rule, count FROM finding_count WHERE day IN (SELECT DISTINCT day FROM "
                        "finding_count ORDER BY day DESC LIMIT ?) ORDER BY day");
    rows.bind(static_cast<int64_t>(days));
    while (rows.step()) {
        std::string day = rows.string(0);
        if (out.empty() || out.back().first != day)
            out.push_back({std::move(day), {}});
        out.back().second[rows.string(1)] = static_cast<size_t>(rows.integer(2));
    }
    return out;
}

std::vector<std::pair<uint64_t, int32_t>> FindingTable::since() {
    std::vector<std::pair<uint64_t, int32_t>> out;
    Statement rows(db_, "SELECT key, day FROM finding_since");
    while (rows.step())
        out.emplace_back(static_cast<uint64_t>(rows.integer(0)), static_cast<int32_t>(rows.integer(1)));
    std::ranges::sort(out);
    return out;
}

void FindingTable::setSince(const std::vector<std::pair<uint64_t, int32_t>>& found,
                            const std::vector<uint64_t>& gone) {
    Transaction transaction(db_);
    Statement insert(db_, "INSERT OR REPLACE INTO finding_since (key, day) VALUES (?, ?)");
    for (const auto& [key, day] : found)
        insert.bind(static_cast<int64_t>(key)).bind(int64_t{day}).run();
    Statement remove(db_, "DELETE FROM finding_since WHERE key = ?");
    for (const uint64_t key : gone)
        remove.bind(static_cast<int64_t>(key)).run();
    transaction.commit();
}

} // namespace moorfrost::library
