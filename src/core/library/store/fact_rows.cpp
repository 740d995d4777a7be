// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/store/fact_rows.h"

#include <nlohmann/json.hpp>

namespace moorfrost::library {

namespace {

using nlohmann::json;

std::string valuesText(const std::vector<std::string>& values) {
    return json(values).dump(-1, ' ', false, json::error_handler_t::replace);
}

std::vector<std::string> valuesFrom(std::string_view text) {
    const json list = json::parse(text, nullptr, false);
    std::vector<std::string> out;
    if (list.is_array())
        for (const json& v : list)
            if (v.is_string())
                out.push_back(v.get<std::string>());
    return out;
}

/// Of the columns value, none, origin, when, from `first` on.
Fact factFrom(const Statement& s, int first) {
    return {valuesFrom(s.view(first)), s.integer(first + 1) != 0, s.string(first + 2), s.integer(first + 3)};
}

} // namespace

FactRows::FactRows(Database& db, std::string table, std::string owner)
    : db_(db), table_(std::move(table)), owner_(std::move(owner)) {}

Facts FactRows::of(int64_t owner) {
    Facts out;
    Statement s(db_,
                "SELECT field, value, none, origin, \"when\" FROM " + table_ + " WHERE " + owner_ + "=?");
    s.bind(owner);
    while (s.step())
        out[s.string(0)] = factFrom(s, 1);
    return out;
}

std::map<int64_t, Facts> FactRows::all() {
    std::map<int64_t, Facts> out;
    Statement s(db_, "SELECT " + owner_ + ", field, value, none, origin, \"when\" FROM " + table_);
    while (s.step())
        out[s.integer(0)][s.string(1)] = factFrom(s, 2);
    return out;
}

std::optional<Fact> FactRows::find(int64_t owner, const std::string& field) {
    Statement s(db_, "SELECT value, none, origin, \"when\" FROM " + table_ + " WHERE " + owner_ +
                         "=? AND field=?");
    return s.bind(owner).bind(field).step() ? std::optional(factFrom(s, 0)) : std::nullopt;
}

void FactRows::set(int64_t owner, const std::string& field, const std::optional<Fact>& fact) {
    if (!fact) {
        Statement(db_, "DELETE FROM " + table_ + " WHERE " + owner_ + "=? AND field=?")
            .bind(owner)
            .bind(field)
            .run();
        return;
    }
    Statement(db_, "INSERT OR REPLACE INTO " + table_ + " (" + owner_ +
                       ", field, value, none, origin, \"when\") VALUES (?,?,?,?,?,?)")
        .bind(owner)
        .bind(field)
        .bind(valuesText(fact->values))
        .bind(fact->none ? 1 : 0)
        .bind(fact->origin)
        .bind(fact->when)
        .run();
}

std::vector<int64_t> FactRows::with(const std::string& field, const std::vector<std::string>& values) {
    std::vector<int64_t> out;
    Statement s(db_,
                "SELECT " + owner_ + " FROM " + table_ + " WHERE field=? AND value=? ORDER BY " + owner_);
    s.bind(field).bind(valuesText(values));
    while (s.step())
        out.push_back(s.integer(0));
    return out;
}

} // namespace moorfrost::library
