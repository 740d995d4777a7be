// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/releases/release_facts.h"

#include <QDateTime>
#include <QLocale>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "core/library/releases/facts.h"

namespace moorfrost::app {

namespace {

/// Facts that have a row even where nothing is known of them.
bool isUsual(std::string_view key) {
    return key == "labels" || key == "dates" || key == "barcode" || key == library::mediaFact;
}

QString hintFor(const std::string& key) {
    const library::FactDef* def = library::factByKey(key);
    if (!def)
        return FactTable::tr("CD, Vinyl, Cassette, File \u2026");
    switch (def->kind) {
    case library::FactKind::Labels:
        return FactTable::tr("Label = number; another label = its number");
    case library::FactKind::Dates:
        return FactTable::tr("1998-10-05 GB; 1998-11-02 NO");
    case library::FactKind::Credit:
        return FactTable::tr("Name [ & ] Name: what joins the names stands in brackets");
    case library::FactKind::List:
        return FactTable::tr("one; another");
    default:
        return key == "barcode" ? FactTable::tr("13, 12 or 8 digits") : QString();
    }
}

} // namespace

QString originText(const library::Fact& fact) {
    const QString what = fact.origin == library::readFromFiles ? FactTable::tr("read from the files")
                         : fact.origin == library::typedOrigin ? FactTable::tr("typed")
                                                               : spoken(fact.origin);
    if (fact.when == 0)
        return what;
    return FactTable::tr("%1, %2").arg(
        what, QLocale().toString(QDateTime::fromSecsSinceEpoch(fact.when).date(), "d MMM"));
}

std::vector<FactRow> releaseFactRows(const ShownRelease& release, const std::string& oddNumber) {
    const library::ReleaseView& view = release.view;
    std::vector<FactRow> out;
    auto add = [&](const std::string& key, const QString& caption) -> FactRow& {
        FactRow& row = out.emplace_back();
        const std::vector<std::string> values = library::factOf(view.release, key);
        row.key = key;
        row.caption = caption;
        row.known = !values.empty();
        row.shown = qs(library::shownFact(key, values));
        row.typing = qs(library::typingLine(key, values));
        row.hint = hintFor(key);
        row.isUsual = isUsual(key);
        row.isCode = key == "barcode";
        row.mayBeUnknown = key != "title";
        if (const library::FactDef* def = library::factByKey(key))
            row.mayBeNone = def->mayBeNone;
        if (const auto fact = view.facts.find(key); fact != view.facts.end()) {
            row.none = fact->second.none;
            row.origin = originText(fact->second);
            row.mayBeDropped = fact->second.origin != library::readFromFiles;
        }
        if (const auto other = view.otherInFiles.find(key); other != view.otherInFiles.end())
            row.inFiles = qs(library::shownFact(key, other->second));
        row.odd = spoken(key == "labels" ? oddNumber : library::whatIsOdd(key, values));
        return row;
    };
    for (const library::FactDef& def : library::releaseFacts()) {
        if (def.key == std::string("notes") || def.key == std::string("links"))
            continue; // beside it
        add(def.key, FactTable::tr(def.label));
        if (def.key == std::string("barcode")) {
            FactRow& carrier = add(library::mediaFact, FactTable::tr("Carrier"));
            carrier.shown = carrier.typing = qs(view.release.carrier());
            carrier.known = !carrier.shown.isEmpty();
            carrier.editable = view.media.size() <= 1;
            if (!carrier.editable)
                carrier.note = FactTable::tr("Each medium has its own: change it at the head of its tracks");
        }
    }
    return out;
}

} // namespace moorfrost::app
