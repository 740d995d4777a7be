// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/two_lines.h"

#include <QLocale>
#include <QPainter>

#include "app/shell/theme.h"
#include "app/widgets/paint.h"

namespace moorfrost::app {

TwoLineDelegate::TwoLineDelegate(Qt::TextElideMode elide, QObject* parent)
    : QStyledItemDelegate(parent), elide_(elide) {}

void TwoLineDelegate::paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const {
    const auto& c = theme::colours();
    const QRect r = option.rect;
    p->save();
    paint::listRow(*p, r, option.state & QStyle::State_Selected, option.state & QStyle::State_HasFocus);
    const paint::Mirror side(*p, r);
    int right = r.right() - 10;
    if (const int n = index.data(PillRole).toInt(); n > 0)
        right -= paint::pill(*p, right, r, QLocale().toString(n), paint::Tone::Draft) + 6;
    if (const QVariant sure = index.data(SureRole); sure.isValid() && sure.toDouble() < 1)
        right -= paint::pill(*p, right, r, QLocale().toString(sure.toDouble(), 'f', 2),
                             static_cast<paint::Tone>(index.data(ToneRole).toInt())) +
                 6;
    const int left = r.left() + 12, width = right - left;
    const QString second = index.data(SecondRole).toString();
    p->setFont(theme::uiFont(13, QFont::Medium));
    p->setPen(c.ink);
    const QRect name =
        second.isEmpty() ? QRect(left, r.top(), width, r.height()) : QRect(left, r.top() + 5, width, 19);
    p->drawText(side(name), Qt::AlignVCenter | Qt::AlignLeft,
                p->fontMetrics().elidedText(index.data().toString(), Qt::ElideRight, width));
    if (!second.isEmpty()) {
        p->setFont(theme::uiFont(12));
        p->setPen(c.second);
        p->drawText(side(QRect(left, r.top() + 24, width, 16)), Qt::AlignVCenter | Qt::AlignLeft,
                    p->fontMetrics().elidedText(second, elide_, width));
    }
    p->restore();
}

QListView* twoLineList(QAbstractItemModel* model, const QString& name) {
    auto* out = new QListView;
    out->setModel(model);
    out->setItemDelegate(new TwoLineDelegate(Qt::ElideRight, out));
    out->setFrameShape(QFrame::NoFrame);
    out->setUniformItemSizes(true);
    out->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    out->setAccessibleName(name);
    return out;
}

} // namespace moorfrost::app
