// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/library/collections/list_line.h"

#include <QHBoxLayout>

#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"

namespace moorfrost::app {

ListLine::ListLine(QWidget* parent) : QWidget(parent) {
    name_ = label({}, "listName");
    QFont bold = name_->font();
    bold.setWeight(QFont::DemiBold);
    name_->setFont(bold);
    told_ = new ShortLabel;
    told_->setObjectName("quiet");
    byHand_ = button(tr("As arranged"), "flat");
    byHand_->setToolTip(tr("Shows the tracks in the order of the list again"));
    keepOrder_ = button(tr("Keep this order"), "flat");
    keepOrder_->setToolTip(tr("The list gets the order that is shown"));
    export_ = button(tr("Export playlist\u2026"));
    close_ = iconButton("close", tr("Leave the list (Esc): show the whole library"));
    auto* line = new QHBoxLayout;
    line->setSpacing(8);
    line->addWidget(name_);
    line->addWidget(told_, 1);
    line->addWidget(byHand_);
    line->addWidget(keepOrder_);
    line->addWidget(export_);
    line->addWidget(close_);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(bar("tools", line, 40));
    connect(export_, &QPushButton::clicked, this, &ListLine::exportWanted);
    connect(byHand_, &QPushButton::clicked, this, &ListLine::byHandWanted);
    connect(keepOrder_, &QPushButton::clicked, this, &ListLine::keepOrderWanted);
    connect(close_, &QToolButton::clicked, this, &ListLine::closeWanted);
    setSorted(false);
}

void ListLine::setSorted(bool sorted) {
    byHand_->setVisible(sorted);
    keepOrder_->setVisible(sorted);
}

void ListLine::show(const QString& name, const QString& note, const ListTotals& totals) {
    name_->setText(name);
    QStringList parts{tr("%n track(s)", "", static_cast<int>(totals.count)), shownLength(totals.seconds)};
    if (totals.absent > 0)
        parts << tr("%n absent", "", static_cast<int>(totals.absent));
    if (totals.unknown > 0)
        parts << tr("%n of which no file is known", "", static_cast<int>(totals.unknown));
    if (!note.isEmpty())
        parts << note.section('\n', 0, 0);
    told_->setText(parts.join(" \u00B7 "));
    told_->setToolTip(note);
    export_->setEnabled(totals.count > totals.unknown);
}

QString ListLine::text() const {
    return name_->text() + " \u00B7 " + told_->text();
}

} // namespace moorfrost::app
