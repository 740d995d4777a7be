// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/audit/finding_box.h"

#include <QDateTime>
#include <QLocale>

#include "app/audit/findings_model.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"

namespace moorfrost::app {

namespace {

constexpr size_t mostFiles = 12;
constexpr qsizetype mostWishes = 8;

} // namespace

QString FindingBox::wishesText(const std::vector<library::DraftSession::Wish>& wishes) {
    const auto& c = theme::colours();
    QStringList lines;
    for (const auto& wish : wishes) {
        const QString text =
            coloured(qs(tags::labelOf(wish.field) + ": " + tags::shownValues(wish.values)), c.heather);
        if (!lines.isEmpty() && lines.back() == text)
            continue;
        if (lines.size() == mostWishes)
            break;
        lines << text;
    }
    lines << coloured(
        tr("As drafts: %n value(s). Nothing is written yet.", "", static_cast<int>(wishes.size())), c.second);
    return lines.join("<br>");
}

void FindingBox::show(std::optional<size_t> at) {
    const int run = ++run_;
    if (!at) {
        clear();
        return end();
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
    clear();
    const auto& c = theme::colours();
    const library::AuditRule& rule = audit_.rule(at);
    caption(qs(finding.title));
    line(coloured(QString("%1 \u00B7 %2").arg(tr(rule.name), FindingsModel::weightName(audit_.weight(at))),
                  c.second));
    line(QString("<span style=\"font-weight:600\">%1</span>").arg(qs(finding.sentence).toHtmlEscaped()));
    line(coloured(tr(rule.why), c.second));
    if (const library::LeftFinding* left = audit_.left(at)) {
        const QString day =
            QLocale().toString(QDateTime::fromSecsSinceEpoch(left->when).date(), QLocale::ShortFormat);
        line(coloured(left->reason.empty() ? tr("Left as it is on %1.").arg(day)
                                           : tr("Left as it is on %1: %2").arg(day, qs(left->reason)),
                      c.fjord));
    }
    if (!finding.evidence.empty()) {
        caption(tr("Evidence"));
        QString rows;
        for (const auto& [what, says] : finding.evidence)
            rows += QString("<tr><td style=\"padding-right:18px\">%1</td><td style=\"color:%2\">%3</td></tr>")
                        .arg(qs(what).toHtmlEscaped(), c.second.name(), qs(says).toHtmlEscaped());
        line("<table cellspacing=\"0\" cellpadding=\"2\">" + rows + "</table>");
    }
    if (!finding.fix.isEmpty()) {
        caption(tr("The fix"));
        line(qs(finding.fix.says).toHtmlEscaped());
        wishes_ = line(coloured(tr("as it will be \u2026"), c.second));
    }
    showFiles(finding.files);
    end();
}

void FindingBox::showFiles(const std::vector<FileId>& files) {
    if (files.empty())
        return;
    caption(tr("Files"));
    const auto searcher = audit_.searcher();
    for (size_t i = 0; i < files.size() && i < mostFiles; ++i) {
        const auto row = searcher ? searcher->rowOf(files[i]) : std::nullopt;
        const QString name = row ? shownName(searcher->pathOf(*row)) : tr("track %1").arg(files[i]);
        link(name, [this, file = files[i]] { emit fileWanted(file); });
    }
    if (files.size() > mostFiles)
        line(coloured(tr("and %L1 more").arg(files.size() - mostFiles), theme::colours().second));
}

} // namespace moorfrost::app
