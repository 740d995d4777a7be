// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/people/card_facts.h"

#include <algorithm>

#include "app/releases/release_facts.h"
#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"

namespace moorfrost::app {

namespace {

using library::CardFactKind;
using library::CardKind;

QString namesOf(const std::vector<std::string>& numbers, const PeopleController::List& people) {
    QStringList out;
    for (const std::string& number : numbers)
        if (people)
            out << qs(people->nameOf(std::strtoll(number.c_str(), nullptr, 10)));
    return out.join("; ");
}

QString hintFor(const library::CardFactDef& def) {
    const std::string_view key = def.key;
    switch (def.kind) {
    case CardFactKind::List:
        return FactTable::tr("one; another");
    case CardFactKind::Parties:
        return FactTable::tr("names of those who are known; another");
    case CardFactKind::Contacts:
        return FactTable::tr("licences: mail@example.org; +47 555 0101");
    case CardFactKind::Dates:
        return FactTable::tr("2021-03-14");
    case CardFactKind::Code:
        return key == "ipi"    ? FactTable::tr("11 digits")
               : key == "isni" ? FactTable::tr("16 digits")
               : key == "iswc" ? FactTable::tr("T and 10 digits")
                               : QString();
    default:
        return {};
    }
}

bool isUsual(CardKind kind, std::string_view key) {
    return kind == CardKind::Party  ? key == "kind" || key == "ipi" || key == "society" || key == "contacts"
           : kind == CardKind::Work ? key == "iswc" || key == "language"
                                    : key == "parties" || key == "signed" || key == "ends";
}

} // namespace

std::vector<FactRow> cardFactRows(const library::CardView& view, const PeopleController::List& people) {
    std::vector<FactRow> out;
    for (const library::CardFactDef& def : library::cardFacts(view.kind)) {
        if (def.kind == CardFactKind::Shares || def.kind == CardFactKind::LongText)
            continue;
        if (def.kind == CardFactKind::Works || def.kind == CardFactKind::Releases ||
            def.kind == CardFactKind::Documents)
            continue; // they have a place of their own
        FactRow& row = out.emplace_back();
        const std::vector<std::string>& values = library::factValues(view.facts, def.key);
        row.key = def.key;
        row.caption = FactTable::tr(def.label);
        row.known = !values.empty();
        row.shown = def.kind == CardFactKind::Parties ? namesOf(values, people)
                                                      : qs(library::cardLine(view.kind, def.key, values));
        row.typing = row.shown;
        row.hint = hintFor(def);
        row.isUsual = isUsual(view.kind, def.key);
        row.isCode = def.kind == CardFactKind::Code;
        row.mayBeNone = def.mayBeNone;
        row.mayBeUnknown = def.key != std::string("name") && def.key != std::string("title");
        row.odd = spoken(library::whatIsOddOfCard(def.key, values));
        for (const std::string& choice : library::choicesOf(def.key))
            row.choices << qs(choice);
        if (def.kind == CardFactKind::Parties && people)
            for (const library::PartyEntry& p : people->parties())
                row.choices << qs(p.name);
        if (const auto fact = view.facts.find(std::string_view(def.key)); fact != view.facts.end()) {
            row.none = fact->second.none;
            row.origin = originText(fact->second);
        }
    }
    return out;
}

std::optional<std::vector<std::string>> cardFactTyped(CardKind kind, const std::string& key,
                                                      const QString& line,
                                                      const PeopleController::List& people,
                                                      QString& trouble) {
    const library::CardFactDef* def = library::cardFact(kind, key);
    if (!def || def->kind != CardFactKind::Parties)
        return library::cardFactFromTyping(kind, key, ss(line));
    std::vector<std::string> out;
    for (const QString& one : line.split(';', Qt::SkipEmptyParts)) {
        const QString name = one.trimmed();
        if (name.isEmpty())
            continue;
        const library::CardId party = people ? people->named(ss(name)) : 0;
        if (party == 0) {
            trouble =
                FactTable::tr("Nobody who is known is called \u201C%1\u201D. Enter them first.").arg(name);
            return std::nullopt;
        }
        out.push_back(std::to_string(party));
    }
    return out;
}

} // namespace moorfrost::app
