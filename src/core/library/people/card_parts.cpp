// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/people/card_parts.h"

#include <ctime>
#include <set>

#include "core/text/text.h"

namespace moorfrost::library::cards {

using Strings = std::vector<std::string>;

Error invalid(std::string sentence) {
    return {ErrorKind::Invalid, {}, std::move(sentence)};
}

Error gone() {
    return invalid("It is not in the library any more.");
}

Fact factOf(const Strings& values, const std::string& origin, bool none) {
    return {none ? Strings() : values, none, origin, std::time(nullptr)};
}

std::string nameOf(Store& store, CardId card) {
    const std::string name = nameOfCard(store.cards().find(card).kind, store.cards().facts(card));
    return name.empty() ? std::string("without a name") : "\"" + name + "\"";
}

Strings numbers(const std::vector<CardId>& ids) {
    Strings out;
    for (const CardId id : ids)
        out.push_back(std::to_string(id));
    return out;
}

std::vector<CardId> numbersFrom(const Strings& texts) {
    std::vector<CardId> out;
    for (const std::string& one : texts)
        out.push_back(std::strtoll(one.c_str(), nullptr, 10));
    return out;
}

Result<CardId> addCard(Store& store, KeptChange& change, CardKind kind, const CardValues& facts,
                       const std::string& origin) {
    for (const auto& [key, values] : facts)
        if (std::string why = whyNotCardFact(kind, key, values); !why.empty())
            return invalid(std::move(why));
    const char* name = kind == CardKind::Party ? "name" : "title";
    const auto named = facts.find(name);
    if (named == facts.end() || named->second.empty())
        return invalid(kind == CardKind::Party ? "Everybody has a name." : "It needs a title.");
    const CardId id = store.cards().fresh();
    change.addCard(id, kind, std::time(nullptr));
    for (const auto& [key, values] : facts)
        if (!values.empty())
            change.setCardFact(id, key, factOf(values, origin));
    return id;
}

std::map<std::string, CardId> partiesByName(Store& store) {
    std::map<std::string, CardId> out;
    for (const auto& [id, facts] : store.cards().allFacts(CardKind::Party)) {
        std::set<std::string> called = {text::fold(nameOfCard(CardKind::Party, facts))};
        for (const std::string& how : factValues(facts, "spellings"))
            called.insert(text::fold(how));
        for (const std::string& how : called)
            if (const auto [at, isNew] = out.try_emplace(how, id); !isNew)
                at->second = 0;
    }
    return out;
}

} // namespace moorfrost::library::cards
