// SPDX-License-Identifier: GPL-3.0-or-later
// Parties, works and shares: listed, shown, entered, checked; out and in as JSON and CSV.
#include <fstream>
#include <iostream>
#include <sstream>

#include <fmt/format.h>

#include "cli/json_out.h"
#include "cli/named.h"
#include "core/library/people/people_in.h"
#include "core/library/people/people_out.h"
#include "core/library/people/works_of.h"
#include "core/text/text.h"

namespace moorfrost::cli {

namespace {

using library::CardId;
using library::CardKind;

constexpr int wrongly = 2;

std::shared_ptr<const library::People> peopleOf(library::Store& store) {
    return library::People::make(library::keptCards(store));
}

/// By its number, or by its name or title; 0 after saying why.
CardId cardNamed(library::Store& store, CardKind kind, const std::string& name) {
    const char* what = kind == CardKind::Party ? "party" : "work";
    if (text::isDigits(name) && !name.empty() && name.size() < 18) {
        const CardId id = std::stoll(name);
        if (store.cards().has(id, kind))
            return id;
        say(fmt::format("The library has no {} {}.", what, name));
        return 0;
    }
    const auto people = peopleOf(store);
    if (kind == CardKind::Party) {
        const CardId id = people->named(name);
        if (id == 0)
            say("Nobody, or several, are called \"" + name + "\".");
        return id;
    }
    CardId found = 0;
    for (const library::WorkEntry& w : people->works())
        if (text::fold(w.title) == text::fold(name)) {
            if (found != 0) {
                say("Several works are called \"" + name + "\": name one by its number.");
                return 0;
            }
            found = w.id;
        }
    if (found == 0)
        say("No work is called \"" + name + "\".");
    return found;
}

/// name=value, several times; false after saying what is wrong.
bool valuesFrom(library::Store& store, CardKind kind, const Options& options, library::CardValues& out) {
    for (const std::string& one : options.fields) {
        const size_t equals = one.find('=');
        const library::CardFactDef* def =
            equals == std::string::npos ? nullptr : library::cardFact(kind, one.substr(0, equals));
        if (!def || def->kind == library::CardFactKind::Shares) {
            say("\"" + one + "\" is nothing that can be said of a " +
                (kind == CardKind::Party ? "party, as in name=Mara Kestrel."
                                         : "work, as in title=Lanterns."));
            return false;
        }
        std::vector<std::string> values;
        if (def->kind == library::CardFactKind::Parties) {
            for (const std::string& name : text::split(one.substr(equals + 1), ";"))
                if (const std::string clean = text::trim(name); !clean.empty()) {
                    const CardId id = cardNamed(store, CardKind::Party, clean);
                    if (id == 0)
                        return false;
                    values.push_back(std::to_string(id));
                }
        } else {
            values = library::cardFactFromTyping(kind, def->key, one.substr(equals + 1));
        }
        if (const std::string why = library::whyNotCardFact(kind, def->key, values);
            !why.empty() && !values.empty()) {
            say(why);
            return false;
        }
        if (const std::string odd = library::whatIsOddOfCard(def->key, values); !odd.empty())
            say(fmt::format("{}: {}. It is kept as it is.", def->label, odd));
        out[def->key] = std::move(values);
    }
    return true;
}

void printCard(library::Store& store, CardId id) {
    std::cout << library::cardJson(store, library::cardView(store, id), *peopleOf(store)) << "\n";
}

int changed(library::Store& store, CardId id, const Result<library::ChangeOutcome>& outcome) {
    if (!outcome) {
        say(outcome.error().message);
        return 1;
    }
    if (id != 0)
        printCard(store, id);
    return 0;
}

int makeNew(library::Store& store, CardKind kind, const Options& options) {
    library::CardValues facts;
    if (!valuesFrom(store, kind, options, facts))
        return wrongly;
    library::ChangeOutcome outcome;
    const auto id = library::makeCard(store, kind, facts, outcome);
    if (!id) {
        say(id.error().message);
        return wrongly;
    }
    printCard(store, *id);
    return 0;
}

int setFacts(library::Store& store, CardKind kind, CardId id, const Options& options) {
    library::CardValues facts;
    if (!valuesFrom(store, kind, options, facts))
        return wrongly;
    for (const auto& [key, values] : facts)
        if (const auto set = library::setCardFact(store, id, key, values); !set) {
            say(set.error().message);
            return 1;
        }
    printCard(store, id);
    return 0;
}

/// "Mara Kestrel=1/2=author, composer".
std::optional<std::vector<library::Share>> sharesFrom(const std::vector<std::string>& typed) {
    std::vector<library::Share> out;
    for (const std::string& one : typed) {
        const std::vector<std::string> parts = text::split(one, "=");
        library::Share share;
        share.name = text::trim(parts[0]);
        if (parts.size() > 1 && !text::trim(parts[1]).empty()) {
            const auto part = library::shareFromTyping(parts[1]);
            if (!part) {
                say(part.error().message);
                return std::nullopt;
            }
            if (part->meant)
                say(fmt::format("\"{}\": {} is kept as it stands; for {} type {}.", one, part->part.percent(),
                                part->meant->percent(), part->meant->text()));
            share.part = part->part;
        }
        if (parts.size() > 2)
            for (const std::string& role : text::split(parts[2], ","))
                if (std::string clean = text::trim(role); !clean.empty())
                    share.roles.push_back(std::move(clean));
        out.push_back(std::move(share));
    }
    return out;
}

int setShares(library::Store& store, CardId work, const Options& options) {
    for (const auto& [side, typed] : {std::pair(library::Side::Writers, &options.writers),
                                      {library::Side::Publishers, &options.publishers}}) {
        if (typed->empty())
            continue;
        const auto shares = sharesFrom(*typed);
        if (!shares)
            return wrongly;
        const auto set = library::setShares(store, {work}, side, *shares,
                                            fmt::format("{} of a work", library::sideKey(side)));
        if (!set) {
            say(set.error().message);
            return wrongly;
        }
    }
    printCard(store, work);
    return 0;
}

} // namespace

int party(const Options& options) {
    auto store = openLibrary(options);
    if (!store)
        return 1;
    const std::vector<std::string>& named = options.paths;
    if (options.step == "list") {
        const auto people = peopleOf(*store);
        for (const size_t i : people->findParties(named.empty() ? "" : named.front()))
            printCard(*store, people->parties()[i].id);
        return 0;
    }
    if (options.step == "new")
        return makeNew(*store, CardKind::Party, options);
    if (named.empty()) {
        say("Which party? Its number or its name is expected.");
        return wrongly;
    }
    const CardId id = cardNamed(*store, CardKind::Party, named.front());
    if (id == 0)
        return 1;
    if (options.step == "set")
        return setFacts(*store, CardKind::Party, id, options);
    if (options.step == "remove")
        return changed(*store, 0, library::removeCard(*store, id));
    if (options.step == "merge") {
        std::vector<CardId> others;
        for (size_t i = 1; i < named.size(); ++i) {
            others.push_back(cardNamed(*store, CardKind::Party, named[i]));
            if (others.back() == 0)
                return 1;
        }
        return changed(*store, id, library::mergeParties(*store, id, others));
    }
    printCard(*store, id);
    return 0;
}

int work(const Options& options) {
    auto store = openLibrary(options);
    if (!store)
        return 1;
    const std::vector<std::string>& named = options.paths;
    if (options.step == "list") {
        const auto people = peopleOf(*store);
        for (const size_t i :
             people->findWorks(named.empty() ? "" : named.front(), library::People::WorkOrder::Title))
            printCard(*store, people->works()[i].id);
        return 0;
    }
    if (options.step == "new") {
        if (options.writers.empty() && options.publishers.empty())
            return makeNew(*store, CardKind::Work, options);
        library::CardValues facts;
        if (!valuesFrom(*store, CardKind::Work, options, facts))
            return wrongly;
        library::ChangeOutcome outcome;
        const auto id = library::makeCard(*store, CardKind::Work, facts, outcome);
        if (!id) {
            say(id.error().message);
            return wrongly;
        }
        return setShares(*store, *id, options);
    }
    if (named.empty()) {
        say("Which work? Its number or its title is expected; of \"of\": files.");
        return wrongly;
    }
    if (options.step == "of") {
        std::vector<library::FileId> files;
        for (const std::string& path : named) {
            files.push_back(store->files().idOf(std::filesystem::absolute(path).lexically_normal()));
            if (files.back() == 0) {
                say("\"" + path + "\" is not in the library.");
                return 1;
            }
        }
        size_t made = 0;
        const auto works = library::makeWorksOf(*store, files, made);
        if (!works) {
            say(works.error().message);
            return 1;
        }
        std::vector<CardId> printed;
        for (const library::FileId file : files)
            for (const std::string& id :
                 store->recordings().values(store->recordings().placeOf(file).recording, library::workField))
                if (const CardId one = std::stoll(id); std::ranges::find(printed, one) == printed.end()) {
                    printed.push_back(one);
                    printCard(*store, one);
                }
        return 0;
    }
    const CardId id = cardNamed(*store, CardKind::Work, named.front());
    if (id == 0)
        return 1;
    if (options.step == "set") {
        if (!options.fields.empty())
            if (const int code = setFacts(*store, CardKind::Work, id, options);
                code != 0 || (options.writers.empty() && options.publishers.empty()))
                return code;
        return setShares(*store, id, options);
    }
    if (options.step == "remove")
        return changed(*store, 0, library::removeCard(*store, id));
    printCard(*store, id);
    return 0;
}

int shares(const Options& options) {
    auto store = openLibrary(options);
    if (!store)
        return 1;
    if (options.step == "export") {
        if (!options.csv && !options.name.empty()) {
            say("All is exported as JSON; with --csv one of shares, parties, works.");
            return wrongly;
        }
        if (!options.csv)
            std::cout << library::peopleJson(*store);
        else if (options.name.empty() || options.name == "shares")
            std::cout << library::sharesCsv(*store);
        else if (options.name == "parties" || options.name == "works")
            std::cout << library::cardsCsv(*store,
                                           options.name == "works" ? CardKind::Work : CardKind::Party);
        else {
            say("\"" + options.name + "\" is none of shares, parties, works.");
            return wrongly;
        }
        return 0;
    }
    if (options.step == "import") {
        if (options.name.empty()) {
            say("Which file? Its name is expected, or - for what comes in.");
            return wrongly;
        }
        const auto text = readWhole(options.name);
        if (!text)
            return 1;
        library::PeopleImport came;
        const std::string origin =
            options.from.empty() ? text::forDisplay(Path(options.name).filename().native()) : options.from;
        const auto taken = library::importPeople(*store, *text, origin, came);
        if (!taken) {
            say(taken.error().message);
            return wrongly;
        }
        for (const std::string& trouble : came.troubles)
            say(trouble);
        Json out;
        out["new_parties"] = came.parties;
        out["new_works"] = came.works;
        out["sides_taken"] = came.shares;
        out["sides_the_same"] = came.same;
        out["sides_that_differ"] = came.claims;
        print(out);
        return came.troubles.empty() ? 0 : 1;
    }
    const auto people = peopleOf(*store);
    bool complete = true;
    for (const size_t i : people->findWorks(options.name, library::People::WorkOrder::LeastComplete)) {
        const library::WorkEntry& w = people->works()[i];
        Json out;
        out["work"] = w.id;
        out["title"] = w.title;
        out["state"] = w.state();
        out["missing"] = Json::array();
        for (const library::Gap& gap : w.gaps)
            out["missing"].push_back(gap.sentence);
        complete = complete && w.gaps.empty() && !w.disagrees;
        out["sources_disagree"] = w.disagrees;
        out["has_agreement"] = w.hasAgreement;
        out["has_contact"] = w.hasContact;
        print(out);
    }
    return complete ? 0 : 1;
}

} // namespace moorfrost::cli
