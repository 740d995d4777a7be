// SPDX-License-Identifier: GPL-3.0-or-later
// Cards: what the library keeps of parties (persons, groups, organisations), works (songs, compositions) and
// agreements, each with its facts. Nothing here is journalled: library/people does that.
#pragma once

#include "core/library/store/fact_rows.h"

namespace moorfrost::library {

using CardId = int64_t;

enum class CardKind { Party, Work, Agreement };
inline constexpr int cardKinds = 3;

class CardTable {
public:
    explicit CardTable(Database& db) : db_(db), facts_(db, "card_fact", "card") {}

    std::vector<CardId> all(CardKind kind);
    struct Row {
        CardKind kind = CardKind::Party;
        int64_t since = 0; // 0: there is none
    };
    Row find(CardId id);
    bool has(CardId id, CardKind kind) {
        const Row row = find(id);
        return row.since != 0 && row.kind == kind;
    }
    /// A number that no card has had.
    CardId fresh();
    void add(CardId id, CardKind kind, int64_t since);
    void remove(CardId id);

    Facts facts(CardId id) { return facts_.of(id); }
    /// Of all cards of a kind; empty where nothing is said.
    std::map<CardId, Facts> allFacts(CardKind kind);
    std::optional<Fact> fact(CardId id, const std::string& field) { return facts_.find(id, field); }
    void setFact(CardId id, const std::string& field, const std::optional<Fact>& fact) {
        facts_.set(id, field, fact);
    }

private:
    Database& db_;
    FactRows facts_;
};

} // namespace moorfrost::library
