// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/people/card_changes.h"

#include <algorithm>
#include <ctime>
#include <set>

#include <fmt/format.h>

#include "core/library/people/card_parts.h"
#include "core/library/people/claims.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

using Strings = std::vector<std::string>;
using namespace cards;

/// Facts that name cards by their number, of all kinds of cards.
constexpr std::array partyFacts = {std::pair(CardKind::Party, "represented"),
                                   std::pair(CardKind::Agreement, "parties")};

/// Every share in which somebody is named: calls `each` with the card, the side and all shares of it.
template<class Each>
void eachSide(Store& store, Each&& each) {
    for (const auto& [work, facts] : store.cards().allFacts(CardKind::Work))
        for (const Side side : {Side::Writers, Side::Publishers})
            if (const auto fact = facts.find(std::string_view(sideKey(side))); fact != facts.end())
                each(work, side, fact->second);
}

bool names(const Share& share, const std::set<CardId>& parties) {
    return parties.contains(share.party) ||
           std::ranges::any_of(share.forWhom, [&](CardId id) { return parties.contains(id); });
}

/// How often a card is named: in shares, by agreements, by parties, as the work of recordings.
size_t timesNamed(Store& store, CardId card) {
    size_t out = 0;
    const std::set<CardId> one = {card};
    eachSide(store, [&](CardId, Side, const Fact& fact) {
        for (const Share& s : sharesFrom(fact.values))
            out += names(s, one);
    });
    for (const auto& [work, facts] : store.cards().allFacts(CardKind::Work))
        for (const Claim& claim : claimsFrom(factValues(facts, claimsFact)))
            for (const Share& s : claim.shares)
                out += names(s, one);
    for (const auto& [recording, values] : store.recordings().allWith(masterField))
        for (const Share& s : sharesFrom(values))
            out += names(s, one);
    for (const auto& [kind, key] : partyFacts)
        for (const auto& [id, facts] : store.cards().allFacts(kind))
            out += static_cast<size_t>(std::ranges::count(factValues(facts, key), std::to_string(card)));
    for (const auto& [id, facts] : store.cards().allFacts(CardKind::Agreement))
        out += static_cast<size_t>(std::ranges::count(factValues(facts, "works"), std::to_string(card)));
    for (const auto& [recording, values] : store.recordings().allWith(workField))
        out += static_cast<size_t>(std::ranges::count(values, std::to_string(card)));
    return out;
}

} // namespace

Result<CardId> makeCard(Store& store, CardKind kind, const CardValues& facts, ChangeOutcome& outcome,
                        const std::string& origin) {
    const auto made = makeCards(store, kind, {facts}, outcome, origin);
    if (!made)
        return made.error();
    return made->front();
}

Result<std::vector<CardId>> makeCards(Store& store, CardKind kind, const std::vector<CardValues>& cards,
                                      ChangeOutcome& outcome, const std::string& origin) {
    KeptChange change(store);
    std::vector<CardId> out;
    for (const CardValues& facts : cards) {
        const auto id = addCard(store, change, kind, facts, origin);
        if (!id)
            return id.error();
        out.push_back(*id);
    }
    if (out.empty())
        return invalid("Nothing was said.");
    const char* what = kind == CardKind::Party ? "party" : kind == CardKind::Work ? "song" : "agreement";
    outcome = change.commit(
        out.size() == 1 ? fmt::format("New {} {}", what, nameOf(store, out.front()))
                        : fmt::format("{} new: {} and others", out.size(), nameOf(store, out.front())));
    return out;
}

Result<ChangeOutcome> setCardFact(Store& store, CardId card, const std::string& key, const Strings& values,
                                  bool none, const std::string& origin) {
    const CardTable::Row row = store.cards().find(card);
    if (row.since == 0)
        return gone();
    if (std::string why = whyNotCardFact(row.kind, key, values); !why.empty() && !none)
        return invalid(std::move(why));
    const CardFactDef* def = cardFact(row.kind, key);
    if (!def || (none && !def->mayBeNone))
        return invalid(fmt::format("{} cannot be known to be none.", def ? def->label : key));
    KeptChange change(store);
    change.setCardFact(card, key,
                       values.empty() && !none ? std::nullopt : std::optional(factOf(values, origin, none)));
    return change.commit(fmt::format("{} of {}", def->label, nameOf(store, card)));
}

Result<ChangeOutcome> rememberSpellings(Store& store, const std::vector<OtherSpelling>& spellings) {
    const std::map<std::string, CardId> named = partiesByName(store);
    auto partyOf = [&](const std::string& name) {
        const auto at = named.find(text::fold(name));
        return at == named.end() ? CardId(0) : at->second;
    };
    std::map<CardId, Strings> now;
    for (const OtherSpelling& one : spellings) {
        const CardId party = partyOf(one.name);
        // Somebody else may be called so.
        if (party == 0 || named.contains(text::fold(one.other)))
            continue;
        const auto [at, isNew] = now.try_emplace(party);
        if (isNew)
            at->second = factValues(store.cards().facts(party), "spellings");
        if (std::ranges::find(at->second, one.other) == at->second.end())
            at->second.push_back(one.other);
    }
    KeptChange change(store);
    for (const auto& [party, values] : now)
        if (std::string why = whyNotCardFact(CardKind::Party, "spellings", values); !why.empty())
            return invalid(std::move(why));
        else
            change.setCardFact(party, "spellings", factOf(values, "audit"));
    if (now.empty())
        return ChangeOutcome{};
    return change.commit(now.size() == 1
                             ? fmt::format("Other spellings of {}", nameOf(store, now.begin()->first))
                             : fmt::format("Other spellings of {} parties", now.size()));
}

Result<ChangeOutcome> removeCard(Store& store, CardId card) {
    const CardTable::Row row = store.cards().find(card);
    if (row.since == 0)
        return gone();
    if (const size_t times = timesNamed(store, card); times > 0)
        return invalid(
            row.kind == CardKind::Work
                ? fmt::format("{} has recordings or agreements ({}): these are to be parted from it first.",
                              nameOf(store, card), times)
                : fmt::format(
                      "{} is still named, in {} places: in shares, agreements, or by others. Merge it, "
                      "or take it out there first.",
                      nameOf(store, card), times));
    const std::string name = nameOf(store, card);
    KeptChange change(store);
    change.removeCard(card);
    return change.commit(fmt::format("Remove {}", name));
}

Result<ChangeOutcome> mergeParties(Store& store, CardId into, const std::vector<CardId>& others) {
    std::set<CardId> gone(others.begin(), others.end());
    gone.erase(into);
    if (gone.empty())
        return invalid("To merge, choose two or more.");
    for (const CardId id : gone)
        if (!store.cards().has(id, CardKind::Party))
            return cards::gone();
    if (!store.cards().has(into, CardKind::Party))
        return cards::gone();
    KeptChange change(store);
    const std::string name = nameOf(store, into);
    auto turned = [&](std::vector<Share> shares) {
        for (Share& s : shares) {
            if (gone.contains(s.party))
                s.party = into;
            std::vector<CardId> whom;
            for (const CardId id : s.forWhom)
                if (const CardId now = gone.contains(id) ? into : id;
                    std::ranges::find(whom, now) == whom.end())
                    whom.push_back(now);
            s.forWhom = whom;
        }
        return shares;
    };
    eachSide(store, [&](CardId work, Side side, const Fact& fact) {
        const std::vector<Share> before = sharesFrom(fact.values);
        if (std::ranges::any_of(before, [&](const Share& s) { return names(s, gone); }))
            change.setCardFact(work, sideKey(side),
                               Fact{shareTexts(turned(before)), fact.none, fact.origin, fact.when});
    });
    for (const auto& [work, facts] : store.cards().allFacts(CardKind::Work)) {
        std::vector<Claim> claims = claimsFrom(factValues(facts, claimsFact));
        bool otherwise = false;
        for (Claim& claim : claims)
            if (std::ranges::any_of(claim.shares, [&](const Share& s) { return names(s, gone); })) {
                claim.shares = turned(claim.shares);
                otherwise = true;
            }
        if (otherwise) {
            Fact fact = facts.find(std::string_view(claimsFact))->second;
            fact.values = claimTexts(claims);
            change.setCardFact(work, claimsFact, fact);
        }
    }
    for (const auto& [recording, values] : store.recordings().allWith(masterField)) {
        const std::vector<Share> before = sharesFrom(values);
        if (std::ranges::any_of(before, [&](const Share& s) { return names(s, gone); }))
            change.setValues(recording, masterField, shareTexts(turned(before)));
    }
    for (const auto& [kind, key] : partyFacts)
        for (const auto& [id, facts] : store.cards().allFacts(kind)) {
            std::vector<CardId> named;
            bool otherwise = false;
            for (const CardId one : numbersFrom(factValues(facts, key))) {
                const CardId now = gone.contains(one) ? into : one;
                otherwise |= now != one;
                if (now != id && std::ranges::find(named, now) == named.end())
                    named.push_back(now);
            }
            if (otherwise && !gone.contains(id)) {
                Fact fact = facts.find(std::string_view(key))->second;
                fact.values = numbers(named);
                change.setCardFact(id, key, named.empty() ? std::nullopt : std::optional(fact));
            }
        }
    // What it is called, and what it does not tell of itself.
    Facts facts = store.cards().facts(into);
    Strings spellings = factValues(facts, "spellings");
    std::set<std::string> known = {nameOfCard(CardKind::Party, facts)};
    known.insert(spellings.begin(), spellings.end());
    auto spelled = [&](const std::string& how) {
        if (!how.empty() && known.insert(how).second)
            spellings.push_back(how);
    };
    for (const CardId id : gone) {
        const Facts other = store.cards().facts(id);
        spelled(nameOfCard(CardKind::Party, other));
        for (const std::string& how : factValues(other, "spellings"))
            spelled(how);
        for (auto [key, fact] : other) {
            if (key == "spellings" || key == "name" || key == "sort")
                continue;
            if (key == "represented") { // by the one that they all are: by nobody
                std::vector<CardId> by;
                for (const CardId one : numbersFrom(fact.values))
                    if (one != into && !gone.contains(one))
                        by.push_back(one);
                fact.values = numbers(by);
                if (by.empty() && !fact.none)
                    continue;
            }
            const CardFactDef* def = cardFact(CardKind::Party, key);
            const bool isList =
                def && (def->kind == CardFactKind::List || def->kind == CardFactKind::Contacts ||
                        def->kind == CardFactKind::Parties);
            const auto own = facts.find(key);
            if (own == facts.end()) {
                facts[key] = fact;
                change.setCardFact(into, key, fact);
            } else if (isList) {
                Fact joined = own->second;
                for (const std::string& v : fact.values)
                    if (std::ranges::find(joined.values, v) == joined.values.end())
                        joined.values.push_back(v);
                facts[key] = joined;
                change.setCardFact(into, key, joined);
            }
        }
    }
    if (!spellings.empty())
        change.setCardFact(into, "spellings", factOf(spellings, typedOrigin));
    for (const CardId id : gone)
        change.removeCard(id);
    return change.commit(fmt::format("{} and {} are one", name, gone.size() == 1 ? "another" : "others"));
}

namespace {

/// Who is named without being known is entered.
Result<std::vector<Share>> entered(Store& store, KeptChange& change, Side side, std::vector<Share> shares) {
    std::map<std::string, CardId> known;
    if (std::ranges::any_of(shares, [](const Share& s) { return s.party == 0 && !s.name.empty(); }))
        known = partiesByName(store);
    for (Share& s : shares) {
        if (s.party != 0 || text::trim(s.name).empty())
            continue;
        const std::string name = text::trim(s.name);
        auto at = known.find(text::fold(name));
        if (at != known.end() && at->second == 0)
            return invalid(fmt::format("Several are called \"{}\". Merge them under People, or type another "
                                       "spelling of the one that is meant.",
                                       text::clipBytes(name, 80)));
        if (at == known.end()) {
            CardValues facts = {{"name", {name}}};
            if (side != Side::Owners)
                facts["kind"] = {side == Side::Writers ? "person" : "organisation"};
            const auto fresh = addCard(store, change, CardKind::Party, facts, typedOrigin);
            if (!fresh)
                return fresh.error();
            at = known.emplace(text::fold(name), *fresh).first;
        }
        s.party = at->second;
        s.name.clear();
    }
    return shares;
}

} // namespace

Result<ChangeOutcome> setShares(Store& store, const std::vector<CardId>& works, Side side,
                                const std::vector<Share>& shares, const std::string& title,
                                const std::string& origin) {
    if (std::string why = whyNotShares(side, shares); !why.empty())
        return invalid(std::move(why));
    KeptChange change(store);
    const auto all = entered(store, change, side, shares);
    if (!all)
        return all.error();
    for (const CardId work : works) {
        if (!store.cards().has(work, CardKind::Work))
            return gone();
        change.setCardFact(work, sideKey(side),
                           all->empty() ? std::nullopt : std::optional(factOf(shareTexts(*all), origin)));
    }
    return change.commit(title);
}

Result<ChangeOutcome> setOwners(Store& store, const std::vector<FileId>& files,
                                const std::vector<Share>& owners, const std::string& title) {
    if (std::string why = whyNotShares(Side::Owners, owners); !why.empty())
        return invalid(std::move(why));
    KeptChange change(store);
    const auto all = entered(store, change, Side::Owners, owners);
    if (!all)
        return all.error();
    for (const FileId file : files)
        if (store.files().find(file))
            change.setValues(store.recordings().ensure(file), masterField, shareTexts(*all));
    return change.commit(title);
}

Result<ChangeOutcome> setWorks(Store& store, const std::vector<FileId>& files,
                               const std::vector<CardId>& works, const std::string& title) {
    for (const CardId work : works)
        if (!store.cards().has(work, CardKind::Work))
            return gone();
    KeptChange change(store);
    for (const FileId file : files)
        if (store.files().find(file))
            change.setValues(store.recordings().ensure(file), workField, numbers(works));
    return change.commit(title);
}

} // namespace moorfrost::library
