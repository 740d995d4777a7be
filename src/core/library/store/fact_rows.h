// SPDX-License-Identifier: GPL-3.0-or-later
// Facts of things that the library keeps, as rows of a table: one row a fact, with its origin. For the tables
// of releases and of cards.
#pragma once

#include <map>
#include <optional>
#include <string>
#include <vector>

#include "core/library/store/database.h"

namespace moorfrost::library {

/// What is kept of one matter, and where it came from.
struct Fact {
    std::vector<std::string> values; // library/releases/facts.h, library/people/cards.h
    bool none = false;               // known to be none ("no barcode"): not the same as not known
    std::string origin;              // "typed", "Cairn, edition 4417" ...
    int64_t when = 0;                // seconds since 1970
    bool operator==(const Fact&) const = default;
};
using Facts = std::map<std::string, Fact, std::less<>>;
/// The origin of what a person entered.
inline constexpr const char* typedOrigin = "typed";

class FactRows {
public:
    /// `table` has the columns `owner`, field, value, none, origin, "when".
    FactRows(Database& db, std::string table, std::string owner);

    Facts of(int64_t owner);
    std::map<int64_t, Facts> all();
    std::optional<Fact> find(int64_t owner, const std::string& field);
    /// Nothing is kept of it where there is no fact.
    void set(int64_t owner, const std::string& field, const std::optional<Fact>& fact);
    /// Those of which this fact has just these values.
    std::vector<int64_t> with(const std::string& field, const std::vector<std::string>& values);

private:
    Database& db_;
    std::string table_, owner_;
};

} // namespace moorfrost::library
