// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/sort_header.h"

#include <QPainter>

#include "app/shell/theme.h"

namespace moorfrost::app {

SortHeader::SortHeader(QWidget* parent) : QHeaderView(Qt::Horizontal, parent) {
    setSectionsClickable(true);
    setSectionsMovable(true);
    setHighlightSections(false);
    setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    setStretchLastSection(true);
    setFixedHeight(30);
    setMinimumSectionSize(36);
    setContextMenuPolicy(Qt::CustomContextMenu);
    setToolTip(tr("Click to sort. With Shift, sort within what it is sorted by already."));
}

void SortHeader::setSorting(std::vector<std::pair<int, bool>> sorting) {
    sorting_ = std::move(sorting);
    viewport()->update();
}

void SortHeader::paintSection(QPainter* p, const QRect& rect, int section) const {
    p->save();
    QHeaderView::paintSection(p, rect, section);
    p->restore();
    for (size_t i = 0; i < sorting_.size(); ++i) {
        if (sorting_[i].first != section)
            continue;
        QPixmap arrow = theme::pixmap("chevron", theme::colours().fjord, 12, devicePixelRatioF());
        QRect at(rect.right() - 18, rect.center().y() - 6, 12, 12);
        p->drawPixmap(at, sorting_[i].second ? arrow.transformed(QTransform().scale(1, -1)) : arrow);
        if (sorting_.size() > 1) {
            p->setFont(theme::uiFont(10));
            p->setPen(theme::colours().fjord);
            p->drawText(at.translated(-10, 0), Qt::AlignCenter, QString::number(i + 1));
        }
    }
}

} // namespace moorfrost::app
