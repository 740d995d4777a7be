// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/audit/finding_box.h"

#include <QRegularExpression>

#include <QDateTime>
#include <QLocale>
#include <QVBoxLayout>

#include <algorithm>

#include "app/audit/findings_model.h"
#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"

namespace moorfrost::app {

namespace {

constexpr size_t mostFiles = 12;
constexpr qsizetype mostWishes = 8;

} // namespace

FindingBox::FindingBox(AuditController& audit, const SoundPanel::Uses& sound, QWidget* parent)
    : QWidget(parent), audit_(audit) {
    setObjectName("side");
    head_ = new FindingLines;
    rest_ = new FindingLines;
    for (FindingLines* lines : {head_, rest_})
        lines->setObjectName("lines"); // without the frame of a side panel
    sound_ = new SoundPanel(sound);
    auto* rows = new QVBoxLayout(this);
    rows->setContentsMargins(0, 0, 0, 0);
    rows->setSpacing(0);
    for (QWidget* part : std::initializer_list<QWidget*>{head_, sound_, rest_})
        rows->addWidget(part);
    rows->addStretch(1);
}

QString FindingBox::wishesText(const std::vector<library::DraftSession::Wish>& wishes) {
    const auto& c = theme::colours();
    QStringList lines;
    for (const auto& wish : wishes) {
        const QString said = wish.field == library::placeKey ? tr("Its place: as the plan says")
                                                             : spoken(tags::labelOf(wish.field)) + ": " +
                                                                   qs(tags::shownValues(wish.values));
        const QString text = SideLines::coloured(said, c.heather);
        if (!lines.isEmpty() && lines.back() == text)
            continue;
        if (lines.size() == mostWishes)
            break;
        lines << text;
    }
    lines << SideLines::coloured(
        tr("As drafts: %n value(s). Nothing is written yet.", "", static_cast<int>(wishes.size())), c.second);
    return lines.join("<br>");
}

void FindingBox::show(std::optional<size_t> at) {
    const int run = ++run_;
    if (!at) {
        head_->clear();
        rest_->clear();
        sound_->showNothing();
        return;
    }
    const library::Finding finding = audit_.finding(*at);
    fill(*at, finding);
    if (!finding.fix.isEmpty())
        audit_.withWishes(this, *at, [this, run](std::vector<library::DraftSession::Wish> wishes) {
            if (run == run_ && wishes_)
                wishes_->setText(wishesText(wishes));
        });
}

void FindingBox::fill(size_t at, const library::Finding& finding) {
    head_->clear();
    rest_->clear();
    const auto& c = theme::colours();
    const library::AuditRule& rule = audit_.rule(at);
    head_->caption(qs(finding.title));
    QString kind = QString("%1 \u00B7 %2").arg(tr(rule.name), FindingsModel::weightName(audit_.weight(at)));
    if (finding.sure < 1)
        kind += " \u00B7 " + tr("sure: %L1").arg(finding.sure, 0, 'f', 2);
    kind += " \u00B7 " + tr("found on %1").arg(QLocale().toString(audit_.day(at), QLocale::ShortFormat));
    head_->line(SideLines::coloured(kind, c.second));
    head_->line(
        QString("<span style=\"font-weight:600\">%1</span>").arg(spoken(finding.sentence).toHtmlEscaped()));
    head_->line(SideLines::coloured(spoken(rule.why), c.second));
    if (const library::LeftFinding* left = audit_.left(at)) {
        const QString day =
            QLocale().toString(QDateTime::fromSecsSinceEpoch(left->when).date(), QLocale::ShortFormat);
        head_->line(SideLines::coloured(left->reason.empty()
                                            ? tr("Left as it is on %1.").arg(day)
                                            : tr("Left as it is on %1: %2").arg(day, qs(left->reason)),
                                        c.fjord));
    }
    head_->end();
    showSound(finding);
    showEvidence(finding.evidence, rule.group == library::RuleGroup::Sound);
    if (!finding.fix.isEmpty()) {
        rest_->caption(tr("The fix"));
        rest_->line(spoken(finding.fix.says).toHtmlEscaped());
        wishes_ = rest_->line(SideLines::coloured(tr("as it will be \u2026"), c.second));
    }
    showFiles(finding.files);
    if (finding.card != 0) {
        const uint64_t key = audit_.key(at);
        const QString text = finding.cardKind == library::CardKind::Party  ? tr("Show the party")
                             : finding.cardKind == library::CardKind::Work ? tr("Show the song")
                                                                           : tr("Show the agreement");
        rest_->link(text, [this, key] {
            if (const auto found = audit_.withKeys({key}); !found.empty())
                audit_.showCard(found.front());
        });
    }
    if (finding.unit != 0)
        rest_->link(tr("Only the findings of this release"),
                    [this, unit = finding.unit] { emit releaseWanted(unit); });
    rest_->end();
}

void FindingBox::showSound(const library::Finding& finding) {
    if (!finding.place || finding.files.size() != 1)
        return sound_->showNothing();
    const double hertz = finding.place->hertz;
    sound_->show(finding.files.front(), *finding.place,
                 hertz >= 1000 ? tr("nothing above %L1 kHz").arg(hertz / 1000, 0, 'f', 1) : QString());
}

void FindingBox::showEvidence(const std::vector<library::Evidence>& evidence, bool isMeasured) {
    if (evidence.empty())
        return;
    const auto& c = theme::colours();
    const bool usual =
        std::ranges::any_of(evidence, [](const library::Evidence& one) { return !one.usual.empty(); });
    auto cell = [](const QString& text, const QColor& colour, bool strong) {
        return QString("<td style=\"padding-right:22px; color:%1%2\">%3</td>")
            .arg(colour.name(), strong ? "; font-weight:600" : "", text.toHtmlEscaped());
    };
    QString rows;
    auto heads = [&](const QString& what, const QString& says, const QString& instead) {
        rows = "<tr>" + cell(what, c.second, true) + cell(says, c.second, true) +
               cell(instead, c.second, true) + "</tr>";
    };
    if (usual && isMeasured)
        heads(tr("Measured"), tr("Here"), tr("Usually"));
    else if (usual)
        heads(tr("Track"), tr("Now"), tr("By the plan"));
    else
        rest_->caption(tr("Evidence"));
    // Of values nothing is translated but how many files have them.
    static const QRegularExpression count("^\\d+ files?$");
    auto told = [&](const std::string& text) {
        return isMeasured || count.match(qs(text)).hasMatch() ? spoken(text) : qs(text);
    };
    for (const library::Evidence& one : evidence)
        rows += "<tr>" + cell(told(one.what), c.ink, false) +
                cell(told(one.says), one.usual.empty() ? c.second : c.rowan, false) +
                (usual ? cell(told(one.usual), c.second, false) : QString()) + "</tr>";
    rest_->line(rest_->tableOf(rows));
}

void FindingBox::showFiles(const std::vector<FileId>& files) {
    if (files.empty())
        return;
    rest_->caption(tr("Files"));
    const auto searcher = audit_.searcher();
    for (size_t i = 0; i < files.size() && i < mostFiles; ++i) {
        const auto row = searcher ? searcher->rowOf(files[i]) : std::nullopt;
        const QString name = row ? shownName(searcher->pathOf(*row)) : tr("track %1").arg(files[i]);
        rest_->link(name, [this, file = files[i]] { emit fileWanted(file); });
    }
    if (files.size() > mostFiles)
        rest_->line(
            SideLines::coloured(tr("and %L1 more").arg(files.size() - mostFiles), theme::colours().second));
}

} // namespace moorfrost::app
