// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/journal/change_parts.h"

#include <QCoreApplication>

#include "app/control/content_kinds.h"
#include "app/shell/text_utils.h"
#include "app/widgets/judging_box.h"
#include "core/library/people/share.h"
#include "core/library/releases/facts.h"

namespace moorfrost::app {

namespace {

struct ChangeTexts {
    Q_DECLARE_TR_FUNCTIONS(ChangeTexts)
};

/// Known to be none, origin, time, values (library/store/change_table.h).
QString factText(const std::string& field, const std::vector<std::string>& texts) {
    if (texts.size() < 3)
        return ChangeTexts::tr("not kept");
    if (texts[0] == "1")
        return ChangeTexts::tr("there is none");
    const std::vector<std::string> values(texts.begin() + 3, texts.end());
    if (values.empty())
        return ChangeTexts::tr("not known");
    if (field == library::setFact)
        return ChangeTexts::tr("with others");
    if (field == library::apartFact)
        return ChangeTexts::tr("from %n other(s)", "", static_cast<int>(values.size()));
    if (field == library::picturesFact)
        return ChangeTexts::tr("%n picture(s)", "", static_cast<int>(values.size()));
    if (field == library::sourceFact)
        return qs(library::sourceFrom(values.front()).what);
    return qs(library::shownFact(field, values));
}

const library::CardFactDef* cardFactDef(const std::string& field) {
    for (const auto kind : {library::CardKind::Party, library::CardKind::Work, library::CardKind::Agreement})
        if (const library::CardFactDef* def = library::cardFact(kind, field))
            return def;
    return nullptr;
}

/// As factText(), of a party, a work or an agreement.
QString cardFactText(const std::string& field, const std::vector<std::string>& texts) {
    if (texts.size() < 3)
        return ChangeTexts::tr("nothing");
    if (texts[0] == "1")
        return ChangeTexts::tr("there is none");
    const std::vector<std::string> values(texts.begin() + 3, texts.end());
    const library::CardFactDef* def = cardFactDef(field);
    if (def && def->kind == library::CardFactKind::Shares) {
        QStringList parts;
        for (const library::Share& s : library::sharesFrom(values))
            parts << (s.part ? qs(s.part->percent()) : ChangeTexts::tr("not known"));
        return ChangeTexts::tr("%n share(s): %1", "", static_cast<int>(values.size())).arg(parts.join(", "));
    }
    if (!def || def->kind == library::CardFactKind::Parties)
        return ChangeTexts::tr("%n value(s)", "", static_cast<int>(values.size()));
    for (const auto kind : {library::CardKind::Party, library::CardKind::Work, library::CardKind::Agreement})
        if (library::cardFact(kind, field))
            return qs(library::cardLine(kind, field, values));
    return {};
}

QString cardFactName(const std::string& field) {
    const library::CardFactDef* def = cardFactDef(field);
    return def ? ChangeTexts::tr(def->label) : ChangeTexts::tr("What sources say");
}

QString factName(const std::string& field) {
    if (const library::FactDef* def = library::factByKey(field))
        return ChangeTexts::tr(def->label);
    return field == library::mediaFact      ? ChangeTexts::tr("Carrier")
           : field == library::setFact      ? ChangeTexts::tr("In a set")
           : field == library::apartFact    ? ChangeTexts::tr("Kept apart")
           : field == library::picturesFact ? ChangeTexts::tr("Pictures")
                                            : ChangeTexts::tr("Source");
}

} // namespace

QString partText(const library::ChangePart& part, const std::vector<std::string>& values) {
    using Kind = library::ChangePart::Kind;
    switch (part.kind) {
    case Kind::Value:
        if (values.empty())
            return ChangeTexts::tr("nothing");
        if (part.field == library::kindField)
            if (auto kind = matching::kindByName(values.front()))
                return kindText(*kind);
        return keptText(part.field, values);
    case Kind::Member:
        return values.empty() ? ChangeTexts::tr("of no recording")
                              : ChangeTexts::tr("recording %1").arg(qs(values.front()));
    case Kind::Best:
        return values.empty() ? ChangeTexts::tr("found by what the files are")
                              : ChangeTexts::tr("chosen by hand");
    case Kind::File:
        return values.empty() ? ChangeTexts::tr("forgotten") : ChangeTexts::tr("known, absent");
    case Kind::Collection:
        return values.size() < 4   ? ChangeTexts::tr("nothing")
               : values[3].empty() ? qs(values[1])
                                   : ChangeTexts::tr("%1: %2").arg(qs(values[1]), qs(values[3]));
    case Kind::Children:
        return ChangeTexts::tr("%n in it", "", static_cast<int>(values.size()));
    case Kind::Entries:
        return values.empty() ? ChangeTexts::tr("nothing")
                              : ChangeTexts::tr("%n track(s)", "", static_cast<int>(values.size()));
    case Kind::Release:
        return values.empty() ? ChangeTexts::tr("nothing is kept of it") : ChangeTexts::tr("kept");
    case Kind::Fact:
        return factText(part.field, values);
    case Kind::Tracks:
        return values.empty() ? ChangeTexts::tr("as the files tell")
                              : ChangeTexts::tr("%n track(s)", "", static_cast<int>(values.size()));
    case Kind::OfRelease:
        return values.empty() ? ChangeTexts::tr("no") : ChangeTexts::tr("yes");
    case Kind::Card:
        return values.empty() ? ChangeTexts::tr("nothing is kept of it") : ChangeTexts::tr("kept");
    case Kind::CardFact:
        return cardFactText(part.field, values);
    }
    return {};
}

QString partName(const library::ChangePart& part) {
    using Kind = library::ChangePart::Kind;
    switch (part.kind) {
    case Kind::Value:
        return part.field == library::kindField ? ChangeTexts::tr("Kind") : keptName(part.field);
    case Kind::Member:
        return ChangeTexts::tr("Belongs to");
    case Kind::Best:
        return ChangeTexts::tr("Best file");
    case Kind::File:
        return ChangeTexts::tr("File");
    case Kind::Collection:
        return ChangeTexts::tr("Collection");
    case Kind::Children:
        return ChangeTexts::tr("What stands in it");
    case Kind::Entries:
        return ChangeTexts::tr("From place %1 on").arg(std::atoi(part.field.c_str()) + 1);
    case Kind::Release:
        return ChangeTexts::tr("Release");
    case Kind::Fact:
        return factName(part.field);
    case Kind::Tracks:
        return ChangeTexts::tr("Tracks of medium %1").arg(std::atoi(part.field.c_str()) + 1);
    case Kind::OfRelease:
        return ChangeTexts::tr("Is of the release");
    case Kind::Card:
        return ChangeTexts::tr("Card");
    case Kind::CardFact:
        return cardFactName(part.field);
    }
    return {};
}

} // namespace moorfrost::app
