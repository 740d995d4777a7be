// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/side_lines.h"

#include <QRegularExpression>
#include <QVBoxLayout>

#include "app/shell/theme.h"
#include "app/widgets/controls.h"

namespace moorfrost::app {

SideLines::SideLines(QWidget* parent) : QFrame(parent) {
    setObjectName("side");
    rows_ = new QVBoxLayout(this);
    rows_->setContentsMargins(14, 12, 14, 12);
    rows_->setSpacing(6);
}

void SideLines::clear() {
    while (QLayoutItem* item = rows_->takeAt(0)) {
        if (item->widget()) {
            item->widget()->hide();
            item->widget()->deleteLater(); // one of them may have asked for this
        }
        delete item;
    }
}

void SideLines::caption(const QString& text) {
    if (rows_->count() > 0)
        rows_->addSpacing(10);
    QLabel* says = label(text, "strong");
    says->setWordWrap(true);
    rows_->addWidget(says);
}

QLabel* SideLines::line(const QString& html) {
    auto* out = new QLabel(html);
    out->setTextFormat(Qt::RichText);
    out->setWordWrap(true);
    out->setTextInteractionFlags(Qt::LinksAccessibleByMouse | Qt::LinksAccessibleByKeyboard);
    rows_->addWidget(out);
    return out;
}

QLabel* SideLines::link(const QString& text, std::function<void()> follow, const QString& mark,
                        const QColor& colour) {
    const QColor ink = colour.isValid() ? colour : theme::colours().fjord;
    QLabel* out = line((mark.isEmpty() ? QString() : mark + " ") +
                       QString("<a href='there' style='color:%1; text-decoration:none'>%2</a>")
                           .arg(ink.name(), text.toHtmlEscaped()));
    connect(out, &QLabel::linkActivated, this, std::move(follow), Qt::QueuedConnection);
    return out;
}

QLabel* SideLines::gap(const QString& sentence, bool isHard, std::function<void()> follow) {
    const auto& c = theme::colours();
    QLabel* out = link(
        sentence, std::move(follow),
        coloured(isHard ? QStringLiteral("\u25CF") : QStringLiteral("\u25CB"), isHard ? c.rowan : c.lichen),
        c.ink);
    out->setToolTip(tr("Go there"));
    return out;
}

void SideLines::add(QWidget* widget) {
    rows_->addWidget(widget);
}

void SideLines::end() {
    rows_->addStretch();
}

QString SideLines::coloured(const QString& text, const QColor& colour) {
    return QString("<span style='color:%1'>%2</span>").arg(colour.name(), text.toHtmlEscaped());
}

QString SideLines::tableOf(const QString& rows) const {
    const QString table = "<table cellspacing=\"0\" cellpadding=\"3\"%1>%2</table>";
    if (!isRightToLeft())
        return table.arg(QString(), rows);
    // Rich text mirrors no tables: the cells of each row change places.
    static const QRegularExpression cell("<td.*?</td>");
    QString mirrored;
    for (const QString& row : rows.split("<tr>", Qt::SkipEmptyParts)) {
        QString cells;
        for (auto at = cell.globalMatch(row); at.hasNext();)
            cells.prepend(at.next()
                              .captured()
                              .replace("<td", "<td align=\"right\"")
                              .replace("padding-right", "padding-left"));
        mirrored += "<tr>" + cells + "</tr>";
    }
    return table.arg(" align=\"right\"", mirrored);
}

QString SideLines::text() const {
    QStringList out;
    for (int i = 0; i < rows_->count(); ++i)
        if (auto* l = qobject_cast<QLabel*>(rows_->itemAt(i)->widget()))
            out << QString(l->text()).replace("<br>", ", ").remove(QRegularExpression("<[^>]*>"));
    return out.join("\n");
}

} // namespace moorfrost::app
