// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/people/work_side.h"

#include <QDateTime>
#include <QLocale>
#include <QPushButton>

#include "app/people/agreement_link.h"
#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"
#include "core/library/families/version_names.h"

namespace moorfrost::app {

namespace {

QString partOf(const library::Share& s) {
    return s.part ? qs(s.part->percent()) : WorkSide::tr("not known");
}

} // namespace

void WorkSide::showGaps(const library::WorkEntry* entry) {
    caption(tr("What is missing"));
    if (!entry)
        return;
    const auto& c = theme::colours();
    if (entry->gaps.empty())
        line(coloured(tr("Nothing: it is complete."), c.moss));
    for (const library::Gap& one : entry->gaps)
        gap(spoken(one.sentence), one.isHard, [this, one] { emit gapChosen(one); });
}

void WorkSide::showClaims(const library::CardView& view, const PeopleController::List& people) {
    if (view.claims.empty())
        return;
    caption(tr("Two sources disagree"));
    const auto& c = theme::colours();
    auto nameOf = [&](library::CardId id) { return people ? people->nameOf(id) : std::string(); };
    for (const library::Claim& claim : view.claims) {
        const auto fact = view.facts.find(std::string_view(library::sideKey(claim.side)));
        const std::vector<library::Share> kept = view.shares(claim.side);
        auto whose = [&](const std::vector<library::Share>& shares) {
            QStringList out;
            for (const library::Share& s : shares)
                out << tr("%1 %2").arg(qs(library::shownParty(s, nameOf)), partOf(s));
            return out.join(", ");
        };
        const QString keptWhen =
            fact == view.facts.end() || fact->second.when == 0
                ? QString()
                : QLocale().toString(QDateTime::fromSecsSinceEpoch(fact->second.when).date(), "d MMM");
        line(QString("%1 %2<br>%3")
                 .arg(coloured(QStringLiteral("\u25CF"), c.fjord), whose(kept).toHtmlEscaped(),
                      coloured(fact == view.facts.end() ? QString()
                                                        : spoken(fact->second.origin) + ", " + keptWhen,
                               c.second)));
        line(QString("%1 %2<br>%3")
                 .arg(coloured(QStringLiteral("\u25CB"), c.second), whose(claim.shares).toHtmlEscaped(),
                      coloured(
                          spoken(claim.origin) + ", " +
                              QLocale().toString(QDateTime::fromSecsSinceEpoch(claim.when).date(), "d MMM"),
                          c.second)));
        auto* keep = button(tr("Keep"));
        keep->setToolTip(tr("What is kept stays; the other source is not asked again"));
        auto* take = button(tr("Take the other"));
        connect(keep, &QPushButton::clicked, this, [this, claim] { emit settled(claim, false); });
        connect(take, &QPushButton::clicked, this, [this, claim] { emit settled(claim, true); });
        add(flowing({keep, take}));
    }
}

void WorkSide::showRecordings(const library::CardView& view) {
    caption(tr("Recordings"));
    const auto& c = theme::colours();
    if (view.recordings.empty())
        line(coloured(tr("None. In the library, tracks get their works by a right click."), c.second));
    for (const library::RecordingOfWork& r : view.recordings) {
        QStringList below;
        for (const QString& part : {qs(library::shownVersion(r.version, r.detail)), shownLength(r.seconds)})
            if (!part.isEmpty())
                below << part;
        QLabel* l = link(qs(r.title), [this, file = r.file] { emit recordingWanted(file); });
        l->setText(l->text() + "<br>" + coloured(below.join(" \u00B7 "), c.second));
    }
    if (const size_t others = view.otherOwners(); others > 0)
        line(coloured(tr("Of %1 of them others own the master.").arg(others), c.second));
    const size_t without = view.withoutOwners();
    if (without > 0 && without < view.recordings.size())
        line(coloured(tr("Of %1 of them no owner is named.").arg(without), c.second));
}

void WorkSide::show(const library::CardView& view, const library::WorkEntry* entry,
                    const PeopleController::List& people,
                    const std::vector<library::AgreementLine>& agreements) {
    clear();
    showGaps(entry);
    showClaims(view, people);
    showAgreements(*this, agreements, [this](library::CardId id) { emit agreementWanted(id); });
    showRecordings(view);
    end();
}

} // namespace moorfrost::app
