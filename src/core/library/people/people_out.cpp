// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/people/people_out.h"

#include <algorithm>

#include <fmt/format.h>
#include <nlohmann/json.hpp>

#include "core/exchange/csv.h"
#include "core/reference/catalogue.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

using Json = nlohmann::ordered_json;
using Strings = std::vector<std::string>;

std::string dumped(const Json& json, int indent = -1) {
    return json.dump(indent, ' ', false, Json::error_handler_t::replace);
}

int64_t number(const std::string& text) {
    return std::strtoll(text.c_str(), nullptr, 10);
}

/// "1" would be read as one per cent by a person, and by those who read what people type.
std::string exactText(const Fraction& part) {
    const std::string out = part.text();
    return out == "1" ? "1/1" : out;
}

Json shareJson(const Share& s, const People& people) {
    Json out;
    if (s.party != 0)
        out["party"] = s.party;
    const std::string name = s.party != 0 ? people.nameOf(s.party) : s.name;
    if (!name.empty())
        out["name"] = name;
    if (!s.roles.empty())
        out["roles"] = s.roles;
    if (s.part) {
        out["share"] = exactText(*s.part);
        out["percent"] = s.part->percent();
    }
    if (!s.forWhom.empty()) {
        out["for"] = Json::array();
        for (const CardId id : s.forWhom)
            out["for"].push_back(people.nameOf(id));
    }
    if (!s.territory.empty())
        out["territory"] = s.territory;
    if (!s.from.empty())
        out["from"] = s.from;
    return out;
}

Json sharesJson(const std::vector<Share>& shares, const People& people) {
    Json out = Json::array();
    for (const Share& s : shares)
        out.push_back(shareJson(s, people));
    return out;
}

Json sumsJson(const std::vector<Share>& shares) {
    Json out = Json::array();
    for (const SideSum& s : sumsOf(shares, {}))
        out.push_back({{"territory", s.territory},
                       {"sum", s.sum.text()},
                       {"whole", s.isWhole()},
                       {"says", sumSentence(s, shares.size())}});
    return out;
}

Json factsJson(CardKind kind, const Facts& facts, const People& people) {
    Json out;
    for (const CardFactDef& def : cardFacts(kind)) {
        const auto fact = facts.find(std::string_view(def.key));
        if (fact == facts.end() || def.kind == CardFactKind::Shares)
            continue;
        const Strings& values = fact->second.values;
        if (fact->second.none) {
            out[def.key] = nullptr; // known to be none
            continue;
        }
        switch (def.kind) {
        case CardFactKind::List:
            out[def.key] = values;
            break;
        case CardFactKind::Parties:
            out[def.key] = Json::array();
            for (const std::string& one : values)
                out[def.key].push_back(people.nameOf(number(one)));
            break;
        case CardFactKind::Contacts:
            out[def.key] = Json::array();
            for (const std::string& one : values) {
                const Contact c = contactFrom(one);
                out[def.key].push_back({{"kind", c.kind}, {"value", c.value}, {"purpose", c.purpose}});
            }
            break;
        default:
            if (!values.empty())
                out[def.key] = values.front();
        }
    }
    return out;
}

Json workJson(Store& store, CardId id, const Facts& facts, const People& people, const CardView& view) {
    Json out = {{"id", id}};
    out.update(factsJson(CardKind::Work, facts, people));
    for (const Side side : allSides)
        if (const auto shares = view.shares(side); !shares.empty()) {
            out[sideKey(side)] = sharesJson(shares, people);
            out[std::string(sideKey(side)) + "_sums"] = sumsJson(shares);
        }
    if (!view.recordings.empty()) {
        out["recordings"] = Json::array();
        for (const RecordingOfWork& r : view.recordings) {
            Json one = {{"recording", r.id}, {"title", r.title}};
            if (!r.version.empty())
                one["version"] = r.version;
            if (const auto file = store.files().find(r.file))
                one["path"] = text::forDisplay(file->path.native());
            out["recordings"].push_back(std::move(one));
        }
    }
    if (const size_t at = people.work(id); at != SIZE_MAX) {
        out["missing"] = Json::array();
        for (const Gap& gap : people.works()[at].gaps)
            out["missing"].push_back(gap.sentence);
    }
    if (!view.claims.empty()) {
        out["claims"] = Json::array();
        for (const Claim& c : view.claims)
            out["claims"].push_back(
                {{"side", sideKey(c.side)}, {"source", c.origin}, {"shares", sharesJson(c.shares, people)}});
    }
    return out;
}

} // namespace

std::string cardJson(Store& store, const CardView& view, const People& people) {
    if (view.kind == CardKind::Work)
        return dumped(workJson(store, view.id, view.facts, people, view));
    Json out = {{"id", view.id}};
    out.update(factsJson(view.kind, view.facts, people));
    if (view.kind == CardKind::Party) {
        out["songs"] = Json::array();
        for (const PartyShare& s : people.sharesOf(view.id)) {
            Json one = shareJson(s.share, people);
            one.erase("party");
            one.erase("name");
            const size_t at = people.work(s.work);
            Json song = {{"work", s.work}, {"title", at == SIZE_MAX ? "" : people.works()[at].title}};
            song.update(one);
            out["songs"].push_back(std::move(song));
        }
    }
    return dumped(out);
}

std::string peopleJson(Store& store) {
    const KeptCards kept = keptCards(store);
    const auto people = People::make(kept);
    Json out = {{"parties", Json::array()}, {"works", Json::array()}};
    for (const auto& [id, facts] : kept.parties) {
        Json one = {{"id", id}};
        one.update(factsJson(CardKind::Party, facts, *people));
        out["parties"].push_back(std::move(one));
    }
    for (const auto& [id, facts] : kept.works)
        out["works"].push_back(workJson(store, id, facts, *people, cardView(store, id)));
    return dumped(out, 1) + "\n";
}

std::string cardsCsv(Store& store, CardKind kind) {
    const KeptCards kept = keptCards(store);
    const auto people = People::make(kept);
    auto isColumn = [](const CardFactDef& def) {
        return def.kind != CardFactKind::Shares && def.kind != CardFactKind::Works &&
               def.kind != CardFactKind::Releases && def.kind != CardFactKind::Documents;
    };
    Strings heading;
    for (const CardFactDef& def : cardFacts(kind))
        if (isColumn(def))
            heading.push_back(def.key);
    std::string out = exchange::csvLine(heading);
    for (const auto& [id, facts] : kind == CardKind::Party ? kept.parties : kept.works) {
        Strings row;
        for (const CardFactDef& def : cardFacts(kind)) {
            if (!isColumn(def))
                continue;
            const Strings& values = factValues(facts, def.key);
            Strings names;
            for (const std::string& one : values)
                if (def.kind == CardFactKind::Parties)
                    names.push_back(people->nameOf(number(one)));
            row.push_back(def.kind == CardFactKind::Parties ? fmt::format("{}", fmt::join(names, "; "))
                                                            : cardLine(kind, def.key, values));
        }
        out += exchange::csvLine(row);
    }
    return out;
}

std::string sharesCsv(Store& store) {
    const KeptCards kept = keptCards(store);
    const auto people = People::make(kept);
    std::string out = exchange::csvLine({"work", "iswc", "side", "name", "role", "ipi", "share",
                                         "administers", "territory", "from", "number"});
    for (const WorkEntry& w : people->works()) {
        const CardView view = cardView(store, w.id);
        for (const Side side : allSides)
            for (const Share& s : view.shares(side)) {
                const size_t at = people->party(s.party);
                Strings whom;
                for (const CardId id : s.forWhom)
                    whom.push_back(people->nameOf(id));
                out += exchange::csvLine(
                    {w.title, w.iswc, sideKey(side), s.party != 0 ? people->nameOf(s.party) : s.name,
                     fmt::format("{}", fmt::join(s.roles, "; ")),
                     at == SIZE_MAX ? "" : people->parties()[at].ipi, s.part ? exactText(*s.part) : "",
                     fmt::format("{}", fmt::join(whom, "; ")), s.territory, s.from, std::to_string(w.id)});
            }
    }
    return out;
}

} // namespace moorfrost::library
