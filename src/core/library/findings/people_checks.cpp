// SPDX-License-Identifier: GPL-3.0-or-later
#include <map>

#include <fmt/format.h>

#include "core/audit/codes.h"
#include "core/library/findings/release_checks.h"
#include "core/library/people/agreements.h"
#include "core/library/people/cards.h"

namespace moorfrost::library {

namespace {

Finding about(const char* rule, CardKind kind, CardId card, std::string_view part, const std::string& title) {
    Finding out;
    out.rule = rule;
    out.about = fmt::format("{} {}", card, part);
    out.title = title;
    out.card = card;
    out.cardKind = kind;
    return out;
}

void checkShares(const People& people, const FindingSink& found) {
    for (const WorkEntry& work : people.works())
        for (const Gap& gap : work.gaps) {
            if (gap.what != Gap::What::Writers && gap.what != Gap::What::Publishers &&
                gap.what != Gap::What::Owners)
                continue;
            if (gap.isHard)
                continue; // nobody is named yet: the standard asks for that
            Finding one = about("shares", CardKind::Work, work.id, std::to_string(static_cast<int>(gap.what)),
                                work.title);
            one.sentence = gap.sentence;
            if (work.lead != 0)
                one.files = {work.lead};
            found(std::move(one));
        }
}

void checkAgreements(const People& people, const FindingSink& found) {
    const std::string today = todayText();
    for (const AgreementEntry& entry : people.agreements()) {
        const Holding holding = holdingOf(entry.facts, today);
        if (holding.holds != Holds::Soon && holding.holds != Holds::Over)
            continue;
        Finding one = about("agreements", CardKind::Agreement, entry.id, "", entry.title);
        one.sentence = fmt::format("The agreement {}.", holdingText(entry.facts, today));
        found(std::move(one));
    }
}

/// A number of a party or a work, as it is written there.
struct Number {
    const char* key;
    CardKind kind;
    CardId card;
    const std::string& title;
    const std::string& value;
    FileId lead = 0;
};

const char* labelOf(const Number& number) {
    const CardFactDef* def = cardFact(number.kind, number.key);
    return def ? def->label : number.key;
}

/// What is badly formed, and what two have.
void checkNumbers(const std::vector<Number>& numbers, const FindingSink& found) {
    std::map<std::pair<std::string, std::string>, std::vector<const Number*>> by;
    for (const Number& one : numbers) {
        if (const std::string why = audit::whyNotCode(one.key, one.value); !why.empty()) {
            Finding wrong = about("party-codes", one.kind, one.card, one.key, one.title);
            wrong.sentence = fmt::format("{} \"{}\": {}.", labelOf(one), one.value, why);
            if (one.lead != 0)
                wrong.files = {one.lead};
            found(std::move(wrong));
        } else {
            by[{one.key, audit::plainForm(one.value)}].push_back(&one);
        }
    }
    for (const auto& [code, of] : by) {
        if (of.size() < 2)
            continue;
        const Number& first = *of.front();
        Finding twice =
            about("party-codes", first.kind, first.card, code.first + " twice " + code.second, first.title);
        twice.sentence = fmt::format("{} have the {} {}.",
                                     first.kind == CardKind::Work ? fmt::format("{} songs", of.size())
                                                                  : fmt::format("{} parties", of.size()),
                                     labelOf(first), first.value);
        for (const Number* one : of) {
            twice.evidence.push_back({one->title, one->value});
            if (one->lead != 0)
                twice.files.push_back(one->lead);
        }
        std::ranges::sort(twice.files);
        found(std::move(twice));
    }
}

/// The tags of its recording say another ISWC than the song has.
void checkTagOfWork(const WorkEntry& work, const Searcher& searcher, const FindingSink& found) {
    const auto row = work.lead != 0 ? searcher.rowOf(work.lead) : std::nullopt;
    const std::string said = row ? searcher.text(*row, "iswc") : std::string();
    if (said.empty() || work.iswc.empty() || audit::plainForm(said) == audit::plainForm(work.iswc))
        return;
    Finding one = about("party-codes", CardKind::Work, work.id, "iswc of file", work.title);
    one.sentence = "The song has another ISWC than the tags of its recording.";
    one.evidence = {{"The song", work.iswc}, {"The tags", said}};
    one.files = {work.lead};
    if (audit::whyNotCode("iswc", work.iswc).empty()) {
        one.fix.says = "ISWC of the song: " + work.iswc;
        one.fix.wishes = {{work.lead, "iswc", {work.iswc}}};
    }
    found(std::move(one));
}

} // namespace

void checkPeople(const People& people, const Searcher& searcher, const RuleChoices& rules,
                 const FindingSink& found) {
    if (rules.isOn("shares"))
        checkShares(people, found);
    if (rules.isOn("agreements"))
        checkAgreements(people, found);
    if (!rules.isOn("party-codes"))
        return;
    std::vector<Number> numbers;
    for (const PartyEntry& party : people.parties()) {
        if (!party.ipi.empty())
            numbers.push_back({"ipi", CardKind::Party, party.id, party.name, party.ipi});
        if (!party.isni.empty())
            numbers.push_back({"isni", CardKind::Party, party.id, party.name, party.isni});
    }
    for (const WorkEntry& work : people.works()) {
        if (!work.iswc.empty())
            numbers.push_back({"iswc", CardKind::Work, work.id, work.title, work.iswc, work.lead});
        checkTagOfWork(work, searcher, found);
    }
    checkNumbers(numbers, found);
}

} // namespace moorfrost::library
