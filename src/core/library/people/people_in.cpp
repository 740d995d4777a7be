// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/people/people_in.h"

#include <algorithm>
#include <ctime>
#include <set>

#include <fmt/format.h>
#include <nlohmann/json.hpp>

#include "core/exchange/csv.h"
#include "core/reference/catalogue.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

using Json = nlohmann::json;
using Strings = std::vector<std::string>;

/// Digits without the zeroes in front.
std::string plainNumber(const std::string& code) {
    std::string out = reference::plainCode(code);
    out.erase(0, std::min(out.find_first_not_of('0'), out.size()));
    return out;
}

/// Brings in what somebody else tells, in one change.
class Importer {
public:
    Importer(Store& store, const std::string& origin, PeopleImport& came)
        : store_(store), change_(store), origin_(origin), came_(came) {
        for (auto& [id, facts] : store.cards().allFacts(CardKind::Party))
            know(id, facts);
        for (const auto& [id, facts] : store.cards().allFacts(CardKind::Work))
            knowWork(id, facts);
    }

    Result<ChangeOutcome> commit() { return change_.commit(fmt::format("People and shares of {}", origin_)); }

    /// By its numbers, else its name; entered where nobody is it. 0 after noting a trouble.
    CardId party(const CardValues& said) {
        const std::string name = first(said, "name");
        for (const char* key : {"ipi", "isni"})
            if (const std::string code = plainNumber(first(said, key)); !code.empty())
                if (const auto known = byNumber_.find(key + code); known != byNumber_.end())
                    return fill(known->second, said);
        if (const auto known = byName_.find(text::fold(name)); known != byName_.end()) {
            if (known->second != 0)
                return fill(known->second, said);
            came_.troubles.push_back(fmt::format("Several are called \"{}\": it is not known which is meant.",
                                                 text::clipBytes(name, 80)));
            return 0;
        }
        if (text::trim(name).empty()) {
            came_.troubles.emplace_back("Somebody without a name was left out.");
            return 0;
        }
        CardValues facts;
        for (const auto& [key, values] : said)
            if (const std::string why = whyNotCardFact(CardKind::Party, key, values); why.empty())
                facts[key] = values;
            else
                came_.troubles.push_back(fmt::format("{}: {}", text::clipBytes(name, 80), why));
        if (!facts.contains("name"))
            return 0;
        const CardId id = add(CardKind::Party, facts);
        know(id, store_.cards().facts(id));
        ++came_.parties;
        return id;
    }

    /// By whom, unless that is known.
    void represent(CardId party, const std::vector<CardId>& by) {
        Strings numbers;
        for (const CardId id : by)
            numbers.push_back(std::to_string(id));
        if (!numbers.empty() && !store_.cards().fact(party, "represented"))
            change_.setCardFact(party, "represented", Fact{numbers, false, origin_, std::time(nullptr)});
    }

    /// By its ISWC, else by title and writers; new where there is none.
    CardId work(const CardValues& said, const std::vector<Share>& writers) {
        const std::string title = first(said, "title");
        if (const std::string code = plainNumber(first(said, "iswc")); !code.empty())
            if (const auto known = workByCode_.find(code); known != workByCode_.end())
                return fill(known->second, said, CardKind::Work);
        const std::set<CardId> who = named(writers);
        auto& known = workByTitle_[text::fold(title)];
        for (const auto& [id, theirs] : known) {
            const bool common = std::ranges::any_of(who, [&](CardId w) { return theirs.contains(w); });
            // Where no writer tells: many songs may be called so.
            if (common || ((who.empty() || theirs.empty()) && known.size() == 1))
                return fill(id, said, CardKind::Work);
        }
        CardValues facts;
        for (const auto& [key, values] : said)
            if (const std::string why = whyNotCardFact(CardKind::Work, key, values); why.empty())
                facts[key] = values;
            else
                came_.troubles.push_back(fmt::format("{}: {}", text::clipBytes(title, 80), why));
        if (!facts.contains("title"))
            return 0;
        const CardId id = add(CardKind::Work, facts);
        knowWork(id, store_.cards().facts(id));
        workByTitle_[text::fold(title)].back().second = who;
        ++came_.works;
        return id;
    }

    void take(CardId work, Side side, const std::vector<Share>& said, const std::string& title) {
        if (said.empty())
            return;
        if (side == Side::Owners)
            return owners(work, said, title);
        if (const std::string why = whyNotShares(side, said); !why.empty()) {
            came_.troubles.push_back(
                fmt::format("{}, {}: {}", text::clipBytes(title, 80), sideKey(side), why));
            return;
        }
        const auto kept = store_.cards().fact(work, sideKey(side));
        if (!kept) {
            change_.setCardFact(work, sideKey(side),
                                Fact{shareTexts(said), false, origin_, std::time(nullptr)});
            ++came_.shares;
        } else if (sameShares(sharesFrom(kept->values), said)) {
            ++came_.same;
        } else {
            keepClaim(store_, change_, work, {side, origin_, std::time(nullptr), said});
            ++came_.claims;
        }
    }

    /// Of the master of the recordings of a work.
    void owners(CardId work, const std::vector<Share>& said, const std::string& title) {
        if (said.empty())
            return;
        if (const std::string why = whyNotShares(Side::Owners, said); !why.empty()) {
            came_.troubles.push_back(fmt::format("{}, owners: {}", text::clipBytes(title, 80), why));
            return;
        }
        const std::vector<RecordingId> recordings =
            store_.recordings().withValue(workField, std::to_string(work));
        bool taken = false, same = false, other = false;
        for (const RecordingId recording : recordings) {
            const std::vector<Share> kept = sharesFrom(store_.recordings().values(recording, masterField));
            if (kept.empty()) {
                change_.setValues(recording, masterField, shareTexts(said));
                taken = true;
            } else {
                (sameShares(kept, said) ? same : other) = true;
            }
        }
        came_.shares += taken;
        came_.same += same && !taken && !other;
        if (recordings.empty() || (other && !taken && !same))
            came_.troubles.push_back(
                recordings.empty()
                    ? fmt::format("{}: its owners were left out, there is no recording of it here.",
                                  text::clipBytes(title, 80))
                    : fmt::format("{}: others own its recordings here. They stay.",
                                  text::clipBytes(title, 80)));
    }

private:
    static std::set<CardId> named(const std::vector<Share>& shares) {
        std::set<CardId> out;
        for (const Share& s : shares)
            if (s.party != 0)
                out.insert(s.party);
        return out;
    }
    static std::string first(const CardValues& values, const char* key) {
        const auto it = values.find(key);
        return it == values.end() || it->second.empty() ? std::string() : it->second.front();
    }
    CardId add(CardKind kind, const CardValues& facts) {
        const CardId id = store_.cards().fresh();
        change_.addCard(id, kind, std::time(nullptr));
        for (const auto& [key, values] : facts)
            change_.setCardFact(id, key, Fact{values, false, origin_, std::time(nullptr)});
        return id;
    }
    /// What is not known of it is told now.
    CardId fill(CardId id, const CardValues& said, CardKind kind = CardKind::Party) {
        const Facts facts = store_.cards().facts(id);
        for (const auto& [key, values] : said)
            if (!facts.contains(key) && whyNotCardFact(kind, key, values).empty() && !values.empty())
                change_.setCardFact(id, key, Fact{values, false, origin_, std::time(nullptr)});
        return id;
    }
    void know(CardId id, const Facts& facts) {
        std::set<std::string> called = {text::fold(nameOfCard(CardKind::Party, facts))};
        for (const std::string& how : factValues(facts, "spellings"))
            called.insert(text::fold(how));
        for (const std::string& how : called)
            if (const auto [at, isNew] = byName_.try_emplace(how, id); !isNew && at->second != id)
                at->second = 0; // several are called so
        for (const char* key : {"ipi", "isni"})
            if (const std::string code = plainNumber(firstFact(facts, key)); !code.empty())
                byNumber_.try_emplace(key + code, id);
    }
    void knowWork(CardId id, const Facts& facts) {
        workByTitle_[text::fold(nameOfCard(CardKind::Work, facts))].emplace_back(
            id, named(sharesFrom(factValues(facts, "writers"))));
        if (const std::string code = plainNumber(firstFact(facts, "iswc")); !code.empty())
            workByCode_.try_emplace(code, id);
    }

    Store& store_;
    KeptChange change_;
    std::string origin_;
    PeopleImport& came_;
    std::map<std::string, CardId> byName_, byNumber_, workByCode_;
    std::map<std::string, std::vector<std::pair<CardId, std::set<CardId>>>> workByTitle_;
};

std::string textOf(const Json& json) {
    return json.is_string()           ? json.get<std::string>()
           : json.is_number_integer() ? std::to_string(json.get<int64_t>())
                                      : "";
}

Strings listOf(const Json& json) {
    Strings out;
    if (json.is_string())
        return {json.get<std::string>()};
    if (json.is_array())
        for (const Json& one : json)
            if (one.is_string())
                out.push_back(one.get<std::string>());
    return out;
}

CardValues valuesFrom(const Json& json, CardKind kind) {
    CardValues out;
    for (const CardFactDef& def : cardFacts(kind)) {
        const auto it = json.find(def.key);
        if (it == json.end() || def.kind == CardFactKind::Shares || def.kind == CardFactKind::Parties)
            continue;
        if (def.kind == CardFactKind::Contacts) {
            if (it->is_array())
                for (const Json& c : *it)
                    if (c.is_object())
                        out[def.key].push_back(
                            contactText({textOf(c.value("kind", Json())), textOf(c.value("value", Json())),
                                         textOf(c.value("purpose", Json()))}));
        } else if (Strings values = listOf(*it); !values.empty()) {
            out[def.key] = std::move(values);
        }
    }
    return out;
}

/// A part as a fraction, or as people type it; a trouble where it is none.
std::optional<Fraction> partFrom(const std::string& typed, const std::string& where, PeopleImport& came) {
    if (typed.empty())
        return std::nullopt;
    if (typed.find('/') != std::string::npos)
        if (const auto exact = Fraction::fromText(typed)) // of any length
            return exact;
    const auto read = shareFromTyping(typed);
    if (!read) {
        came.troubles.push_back(fmt::format("{}: {}", where, read.error().message));
        return std::nullopt;
    }
    return read->part;
}

Error invalid(std::string sentence) {
    return {ErrorKind::Invalid, {}, std::move(sentence)};
}

Result<ChangeOutcome> importJson(Store& store, std::string_view text, const std::string& origin,
                                 PeopleImport& came) {
    const Json all = Json::parse(text, nullptr, false);
    if (!all.is_object() || (!all.contains("parties") && !all.contains("works")))
        return invalid("These are no people and works: {\"parties\": [...], \"works\": [...]} is expected.");
    Importer importer(store, origin, came);
    std::map<std::string, CardId> partyOf; // by the number it has there
    for (const Json& one : all.value("parties", Json::array()))
        if (one.is_object())
            if (const CardId id = importer.party(valuesFrom(one, CardKind::Party)); id != 0)
                partyOf[textOf(one.value("id", Json()))] = id;
    for (const Json& one : all.value("parties", Json::array()))
        if (one.is_object())
            if (const auto known = partyOf.find(textOf(one.value("id", Json()))); known != partyOf.end()) {
                std::vector<CardId> by;
                for (const std::string& name : listOf(one.value("represented", Json())))
                    if (const CardId id = importer.party({{"name", {name}}}); id != 0 && id != known->second)
                        by.push_back(id);
                importer.represent(known->second, by);
            }
    auto named = [&](const Json& share) -> CardId {
        const auto there = partyOf.find(textOf(share.value("party", Json())));
        if (there != partyOf.end() && !there->first.empty())
            return there->second;
        const std::string name = textOf(share.value("name", Json()));
        return name.empty() ? 0 : importer.party({{"name", {name}}});
    };
    for (const Json& one : all.value("works", Json::array())) {
        if (!one.is_object())
            continue;
        const std::string title = textOf(one.value("title", Json()));
        std::map<Side, std::vector<Share>> sides;
        for (const Side side : allSides)
            for (const Json& s : one.value(sideKey(side), Json::array())) {
                if (!s.is_object())
                    continue;
                Share share;
                share.party = named(s);
                if (share.party == 0)
                    share.name = textOf(s.value("name", Json()));
                share.roles = listOf(s.value("roles", Json()));
                share.part = partFrom(textOf(s.value("share", Json())), title, came);
                for (const std::string& whom : listOf(s.value("for", Json())))
                    if (const CardId id = importer.party({{"name", {whom}}}); id != 0)
                        share.forWhom.push_back(id);
                share.territory = textOf(s.value("territory", Json()));
                share.from = textOf(s.value("from", Json()));
                sides[side].push_back(std::move(share));
            }
        const CardId work = importer.work(valuesFrom(one, CardKind::Work), sides[Side::Writers]);
        if (work == 0)
            continue;
        for (const auto& [side, shares] : sides)
            importer.take(work, side, shares, title);
    }
    return importer.commit();
}

/// A row a party, or a row a work.
Result<ChangeOutcome> importCards(Store& store, const std::vector<exchange::CsvRow>& rows,
                                  const std::map<std::string, size_t>& columns, CardKind kind,
                                  const std::string& origin, PeopleImport& came) {
    Importer importer(store, origin, came);
    for (size_t r = 1; r < rows.size(); ++r) {
        auto cell = [&](const char* name) {
            const auto at = columns.find(name);
            return at == columns.end() || at->second >= rows[r].size() ? std::string() : rows[r][at->second];
        };
        CardValues facts;
        for (const CardFactDef& def : cardFacts(kind))
            if (def.kind != CardFactKind::Shares && def.kind != CardFactKind::Parties)
                if (Strings values = cardFactFromTyping(kind, def.key, cell(def.key)); !values.empty())
                    facts[def.key] = std::move(values);
        if (kind == CardKind::Work) {
            if (facts.contains("title"))
                importer.work(facts, {});
            else
                came.troubles.push_back(fmt::format("Row {}: it has no title.", r + 1));
            continue;
        }
        const CardId party = importer.party(facts);
        std::vector<CardId> by;
        for (const std::string& name : text::split(cell("represented"), ";"))
            if (const std::string clean = text::trim(name); party != 0 && !clean.empty())
                if (const CardId id = importer.party({{"name", {clean}}}); id != 0 && id != party)
                    by.push_back(id);
        if (party != 0)
            importer.represent(party, by);
    }
    return importer.commit();
}

Result<ChangeOutcome> importCsv(Store& store, std::string_view text, const std::string& origin,
                                PeopleImport& came) {
    const auto rows = exchange::readCsv(text);
    if (!rows)
        return rows.error();
    std::map<std::string, size_t> columns;
    if (!rows->empty())
        for (size_t i = 0; i < rows->front().size(); ++i)
            columns.try_emplace(text::fold(text::trim(rows->front()[i])), i);
    if (!columns.contains("work") && columns.contains("name"))
        return importCards(store, *rows, columns, CardKind::Party, origin, came);
    if (!columns.contains("work") && columns.contains("title"))
        return importCards(store, *rows, columns, CardKind::Work, origin, came);
    if (!columns.contains("work") || !columns.contains("name"))
        return invalid(
            "These are no shares, people or works: a first row with headings is expected, such as work "
            "and name for shares, name for people, title for works.");
    Importer importer(store, origin, came);
    struct Song {
        CardValues facts;
        std::map<Side, std::vector<Share>> sides;
    };
    std::vector<std::pair<std::string, Song>> songs; // in the order of the rows
    std::map<std::string, size_t> known;
    for (size_t r = 1; r < rows->size(); ++r) {
        const exchange::CsvRow& row = (*rows)[r];
        auto cell = [&](const char* name) {
            const auto at = columns.find(name);
            return at == columns.end() || at->second >= row.size() ? std::string()
                                                                   : text::trim(row[at->second]);
        };
        const std::string title = cell("work"), sideText = text::fold(cell("side"));
        const std::string where = fmt::format("Row {}", r + 1);
        if (title.empty()) {
            came.troubles.push_back(where + ": it names no work.");
            continue;
        }
        if (!sideText.empty() && sideText != "writers" && sideText != "publishers" && sideText != "master") {
            came.troubles.push_back(fmt::format("{}: \"{}\" is none of: writers, publishers, master.", where,
                                                text::clipBytes(sideText, 40)));
            continue;
        }
        const Side side = sideText == "publishers" ? Side::Publishers
                          : sideText == "master"   ? Side::Owners
                                                   : Side::Writers;
        Share share;
        if (const std::string name = cell("name");
            !name.empty() && text::fold(name) != "held by the writer") {
            CardValues party = {{"name", {name}}};
            if (const std::string ipi = cell("ipi"); !ipi.empty())
                party["ipi"] = {ipi};
            share.party = importer.party(party);
            if (share.party == 0)
                share.name = name;
        } else if (side != Side::Publishers) {
            came.troubles.push_back(where + ": it names nobody.");
            continue;
        }
        for (const std::string& role : text::split(cell("role"), ";"))
            if (std::string clean = text::trim(role); !clean.empty())
                share.roles.push_back(std::move(clean));
        share.part = partFrom(cell("share"), where, came);
        for (const std::string& whom : text::split(cell("administers"), ";"))
            if (const std::string clean = text::trim(whom); !clean.empty())
                if (const CardId id = importer.party({{"name", {clean}}}); id != 0)
                    share.forWhom.push_back(id);
        share.territory = cell("territory");
        share.from = cell("from");
        const std::string iswc = cell("iswc"), number = cell("number");
        const auto [at, isNew] = known.try_emplace(!number.empty() ? "#" + number
                                                   : iswc.empty()  ? text::fold(title)
                                                                   : iswc,
                                                   songs.size());
        if (isNew) {
            songs.emplace_back(title, Song{{{"title", {title}}}, {}});
            if (!iswc.empty())
                songs.back().second.facts["iswc"] = {iswc};
        }
        songs[at->second].second.sides[side].push_back(std::move(share));
    }
    for (auto& [title, song] : songs) {
        const CardId work = importer.work(song.facts, song.sides[Side::Writers]);
        if (work == 0)
            continue;
        for (const auto& [side, shares] : song.sides)
            importer.take(work, side, shares, title);
    }
    return importer.commit();
}

} // namespace

Result<ChangeOutcome> importPeople(Store& store, std::string_view text, const std::string& origin,
                                   PeopleImport& came) {
    came = {};
    if (!text::isUtf8(text))
        return invalid("This is no text in UTF-8.");
    const size_t first = text.find_first_not_of("\xEF\xBB\xBF \t\r\n");
    if (first == std::string_view::npos)
        return invalid("It is empty.");
    return text[first] == '{' ? importJson(store, text.substr(first), origin, came)
                              : importCsv(store, text, origin, came);
}

} // namespace moorfrost::library
