// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/rail_button.h"

#include <QPainter>

#include "app/shell/theme.h"
#include "app/widgets/paint.h"

namespace moorfrost::app {

RailButton::RailButton(const QString& icon, const QString& name, QWidget* parent)
    : QAbstractButton(parent), icon_(icon) {
    setText(name);
    setAccessibleName(name);
    setToolTip(name); // where there is no room for all of it
    setCheckable(true);
    setCursor(Qt::PointingHandCursor);
    setFixedSize(76, 58);
}

void RailButton::paintEvent(QPaintEvent*) {
    QPainter p(this);
    QColor ink = isChecked() ? QColor("#FFFFFF") : QColor("#B4C0C8");
    if (isChecked()) {
        p.fillRect(rect(), QColor(255, 255, 255, 18));
        p.fillRect(paint::Mirror(p, rect())(QRect(0, 0, 3, height())), QColor("#C3A7E6"));
    } else if (underMouse() || hasFocus()) {
        p.fillRect(rect(), QColor(255, 255, 255, 10));
    }
    p.drawPixmap(width() / 2 - 11, 9, theme::pixmap(icon_, ink, 22, devicePixelRatioF()));
    p.setFont(theme::uiFont(11));
    p.setPen(ink);
    const QString shown = p.fontMetrics().elidedText(text(), Qt::ElideRight, width() - 6);
    p.drawText(QRect(0, 34, width(), 18), Qt::AlignCenter, shown);
    if (hasFocus()) {
        p.setPen(QColor("#8CC7E0"));
        p.drawRect(rect().adjusted(4, 2, -4, -3));
    }
}

} // namespace moorfrost::app
