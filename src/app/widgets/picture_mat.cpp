// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/picture_mat.h"

#include <QPainter>

#include "app/shell/theme.h"
#include "app/widgets/paint.h"

namespace moorfrost::app {

PictureMat::PictureMat(const QString& name, QWidget* parent) : QWidget(parent), name_(name) {
    setMinimumSize(120, 140);
    setAccessibleName(name);
}

void PictureMat::show(const QImage& image, const QString& told, const QString& none) {
    image_ = image;
    told_ = told;
    none_ = none;
    setAccessibleDescription(told);
    update();
}

void PictureMat::paintEvent(QPaintEvent*) {
    QPainter p(this);
    const auto& c = theme::colours();
    p.setFont(theme::uiFont(11, QFont::DemiBold));
    p.setPen(c.second);
    p.drawText(QRect(0, 0, width(), 18), Qt::AlignLeft | Qt::AlignVCenter, name_);
    const QStringList lines = told_.split('\n');
    const int below = std::max(3, static_cast<int>(lines.size())) * 16 + 10; // as large beside each other
    const int side = std::min(width(), height() - 20 - below);
    const QRect frame = paint::Mirror(p, rect())(QRect(0, 20, side, side));
    if (image_.isNull()) {
        p.fillRect(frame, c.sunk);
        p.setPen(c.third);
        p.setFont(theme::uiFont(13));
        p.drawText(frame.adjusted(12, 0, -12, 0), Qt::AlignCenter | Qt::TextWordWrap,
                   none_.isEmpty() ? tr("none") : none_);
    } else {
        QRect at(QPoint(), image_.size().scaled(frame.size(), Qt::KeepAspectRatio));
        at.moveCenter(frame.center());
        if (at.size() != frame.size())
            p.fillRect(frame, c.sunk);
        p.setRenderHint(QPainter::SmoothPixmapTransform);
        p.drawImage(at, image_);
    }
    p.setFont(theme::uiFont(12));
    p.setPen(c.second);
    for (qsizetype i = 0; i < lines.size(); ++i)
        p.drawText(QRect(0, frame.bottom() + 4 + static_cast<int>(i) * 16, width(), 18),
                   Qt::AlignLeft | Qt::AlignVCenter,
                   p.fontMetrics().elidedText(lines[i], Qt::ElideRight, width()));
}

} // namespace moorfrost::app
