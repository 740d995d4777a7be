// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/people/card_changes.h"

#include <algorithm>
#include <ctime>
#include <set>

#include <fmt/format.h>
#include <nlohmann/json.hpp>

#include "core/library/families/families.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

using nlohmann::json;
using Strings = std::vector<std::string>;

Error invalid(std::string sentence) {
    return {ErrorKind::Invalid, {}, std::move(sentence)};
}

Error gone() {
    return invalid("It is not in the library any more.");
}

Fact factOf(const Strings& values, const std::string& origin, bool none = false) {
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

Result<CardId> add(Store& store, KeptChange& change, CardKind kind, const CardValues& facts,
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
        const auto id = add(store, change, kind, facts, origin);
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
            return moorfrost::library::gone();
    if (!store.cards().has(into, CardKind::Party))
        return moorfrost::library::gone();
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
        for (const auto& [key, fact] : other) {
            if (key == "spellings" || key == "name" || key == "sort")
                continue;
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

/// By what they are called or spelled, folded; of several of one name none.
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
    std::erase_if(out, [](const auto& p) { return p.second == 0; });
    return out;
}

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
        if (at == known.end()) {
            CardValues facts = {{"name", {name}}};
            if (side != Side::Owners)
                facts["kind"] = {side == Side::Writers ? "person" : "organisation"};
            const auto fresh = add(store, change, CardKind::Party, facts, typedOrigin);
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

namespace {

/// The people that tags name in a role; what several fields name once with all roles.
std::vector<Share> writersInTags(const tags::Fields& fields, const std::map<std::string, CardId>& partyOf) {
    std::vector<Share> out;
    for (const auto& [field, role] : {std::pair("lyricist", "author"), std::pair("composer", "composer"),
                                      std::pair("arranger", "arranger")}) {
        const auto values = fields.find(field);
        if (values == fields.end())
            continue;
        for (const std::string& name : values->second) {
            const auto known = partyOf.find(text::fold(name));
            const CardId party = known == partyOf.end() ? 0 : known->second;
            const auto same = std::ranges::find_if(out, [&](const Share& s) {
                return party != 0 ? s.party == party : text::fold(s.name) == text::fold(name);
            });
            if (same != out.end())
                same->roles.emplace_back(role);
            else
                out.push_back({party, party == 0 ? name : std::string(), {role}, std::nullopt});
        }
    }
    return out;
}

} // namespace

Result<ChangeOutcome> makeWorksOf(Store& store, const std::vector<FileId>& files, size_t& made) {
    made = 0;
    KeptChange change(store);
    const std::map<std::string, CardId> partyOf = partiesByName(store);
    std::map<std::string, std::vector<std::pair<CardId, std::set<std::string>>>> byTitle; // with its writers
    auto writersOf = [&](const std::vector<Share>& shares) {
        std::set<std::string> out;
        for (const Share& s : shares)
            out.insert(s.party != 0 ? std::to_string(s.party) : text::fold(s.name));
        return out;
    };
    for (const auto& [id, facts] : store.cards().allFacts(CardKind::Work))
        byTitle[text::fold(nameOfCard(CardKind::Work, facts))].emplace_back(
            id, writersOf(sharesFrom(factValues(facts, sideKey(Side::Writers)))));
    std::set<RecordingId> done;
    size_t recordings = 0;
    for (const FileId file : files) {
        const auto record = store.files().find(file);
        if (!record)
            continue;
        const RecordingId recording = store.recordings().ensure(file);
        if (!done.insert(recording).second || !store.recordings().values(recording, workField).empty())
            continue;
        // All versions of a recording are of one song.
        std::vector<RecordingId> versions = {recording};
        CardId work = 0;
        std::string title = tags::firstValue(record->tags.fields, "title");
        for (const FamilyMember& m : familyOf(store, recording).members) {
            if (m.recording != recording && done.insert(m.recording).second)
                versions.push_back(m.recording);
            if (const auto works = numbersFrom(store.recordings().values(m.recording, workField));
                !works.empty() && work == 0)
                work = works.front();
            if (m.kind == leadVersion && !m.files.empty())
                if (const auto lead = store.files().find(m.files.front()))
                    if (const std::string of = tags::firstValue(lead->tags.fields, "title"); !of.empty())
                        title = of;
        }
        if (title.empty())
            title = text::forDisplay(record->path.stem().native());
        const std::vector<Share> writers = writersInTags(record->tags.fields, partyOf);
        auto& known = byTitle[text::fold(title)];
        if (work == 0) {
            const std::set<std::string> who = writersOf(writers);
            for (const auto& [id, theirs] : known)
                if (work == 0 && (who == theirs || (!who.empty() && std::ranges::includes(theirs, who))))
                    work = id;
        }
        if (work == 0) {
            CardValues facts = {{"title", {title}}};
            if (const std::string iswc = tags::firstValue(record->tags.fields, "iswc"); !iswc.empty())
                facts["iswc"] = {iswc};
            if (const std::string language = tags::firstValue(record->tags.fields, "language");
                !language.empty())
                facts["language"] = {language};
            if (const std::string lyrics = tags::firstValue(record->tags.fields, "lyrics"); !lyrics.empty())
                facts["lyrics"] = {lyrics};
            if (!writers.empty())
                facts[sideKey(Side::Writers)] = shareTexts(writers);
            const auto fresh = add(store, change, CardKind::Work, facts, "read from the files");
            if (!fresh)
                return fresh.error();
            work = *fresh;
            known.emplace_back(work, writersOf(writers));
            ++made;
        }
        for (const RecordingId one : versions)
            if (store.recordings().values(one, workField).empty()) {
                change.setValues(one, workField, {std::to_string(work)});
                ++recordings;
            }
    }
    return change.commit(fmt::format("Songs of {} recordings", recordings));
}

std::vector<Claim> claimsFrom(const Strings& texts) {
    std::vector<Claim> out;
    for (const std::string& text : texts) {
        const json all = json::parse(text, nullptr, false);
        if (!all.is_object())
            continue;
        Claim& claim = out.emplace_back();
        claim.side = all.value("side", 0) == 1 ? Side::Publishers : Side::Writers;
        claim.origin = all.value("origin", std::string());
        claim.when = all.value("when", int64_t{0});
        for (const json& one : all.value("shares", json::array()))
            if (one.is_string())
                claim.shares.push_back(shareFrom(one.get<std::string>()));
    }
    return out;
}

Strings claimTexts(const std::vector<Claim>& claims) {
    Strings out;
    for (const Claim& c : claims)
        out.push_back(json({{"side", c.side == Side::Publishers ? 1 : 0},
                            {"origin", c.origin},
                            {"when", c.when},
                            {"shares", shareTexts(c.shares)}})
                          .dump(-1, ' ', false, json::error_handler_t::replace));
    return out;
}

namespace {

void setClaims(KeptChange& change, CardId work, const std::vector<Claim>& claims, const std::string& origin) {
    change.setCardFact(work, claimsFact,
                       claims.empty() ? std::nullopt : std::optional(factOf(claimTexts(claims), origin)));
}

} // namespace

bool sameShares(const std::vector<Share>& a, const std::vector<Share>& b) {
    auto plain = [](const std::vector<Share>& shares) {
        std::multiset<std::string> out;
        for (const Share& s : shares)
            out.insert((s.party != 0 ? std::to_string(s.party) : text::fold(s.name)) + " " +
                       (s.part ? s.part->text() : "?") + " " + s.territory);
        return out;
    };
    return plain(a) == plain(b);
}

void keepClaim(Store& store, KeptChange& change, CardId work, const Claim& claim) {
    const auto fact = store.cards().fact(work, claimsFact);
    std::vector<Claim> claims = fact ? claimsFrom(fact->values) : std::vector<Claim>();
    std::erase_if(claims, [&](const Claim& c) { return c.side == claim.side && c.origin == claim.origin; });
    claims.push_back(claim);
    if (claims.back().when == 0)
        claims.back().when = std::time(nullptr);
    setClaims(change, work, claims, claim.origin);
}

Result<ChangeOutcome> addClaim(Store& store, CardId work, const Claim& claim) {
    if (!store.cards().has(work, CardKind::Work))
        return gone();
    if (std::string why = whyNotShares(claim.side, claim.shares); !why.empty())
        return invalid(std::move(why));
    KeptChange change(store);
    const auto kept = store.cards().fact(work, sideKey(claim.side));
    const std::string title = fmt::format("{}: shares of {}", claim.origin, nameOf(store, work));
    if (!kept) {
        change.setCardFact(work, sideKey(claim.side), factOf(shareTexts(claim.shares), claim.origin));
        return change.commit(title);
    }
    if (!sameShares(sharesFrom(kept->values), claim.shares))
        keepClaim(store, change, work, claim);
    return change.commit(title);
}

Result<ChangeOutcome> settleClaim(Store& store, CardId work, const Claim& claim, bool take) {
    const auto fact = store.cards().fact(work, claimsFact);
    std::vector<Claim> claims = fact ? claimsFrom(fact->values) : std::vector<Claim>();
    if (std::erase(claims, claim) == 0)
        return invalid("This was settled already.");
    KeptChange change(store);
    if (take)
        change.setCardFact(work, sideKey(claim.side), factOf(shareTexts(claim.shares), claim.origin));
    setClaims(change, work, claims, typedOrigin);
    const std::string name = nameOf(store, work);
    return change.commit(take ? fmt::format("Shares of {} as {} has them", name, claim.origin)
                              : fmt::format("Shares of {} stay, whatever {} says", name, claim.origin));
}

} // namespace moorfrost::library
