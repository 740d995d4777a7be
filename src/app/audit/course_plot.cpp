// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/audit/course_plot.h"

#include <QPainter>
#include <QPainterPath>

#include <algorithm>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"

namespace moorfrost::app {

CoursePlot::CoursePlot(QWidget* parent) : QWidget(parent) {
    setAccessibleName(tr("Findings day by day"));
    setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Fixed);
}

void CoursePlot::show(const std::vector<std::pair<std::string, size_t>>& course) {
    course_ = course;
    setVisible(course_.size() > 1);
    QStringList lines;
    for (const auto& [day, count] : course_)
        lines << tr("%1: %L2").arg(qs(day)).arg(count);
    setAccessibleDescription(lines.join("; "));
    setToolTip(QStringList(lines.mid(std::max<qsizetype>(0, lines.size() - 12))).join('\n'));
    update();
}

void CoursePlot::paintEvent(QPaintEvent*) {
    if (course_.size() < 2)
        return;
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const auto& c = theme::colours();
    const QRectF area = QRectF(rect()).adjusted(4, 5, -4, -5);
    size_t most = 1, least = SIZE_MAX;
    for (const auto& [day, count] : course_) {
        most = std::max(most, count);
        least = std::min(least, count);
    }
    least = std::min(least, most - 1);
    auto at = [&](size_t i) {
        const double x =
            area.left() + area.width() * static_cast<double>(i) / static_cast<double>(course_.size() - 1);
        return QPointF(x, area.bottom() - area.height() * static_cast<double>(course_[i].second - least) /
                                              static_cast<double>(most - least));
    };
    QPainterPath line(at(0));
    for (size_t i = 1; i < course_.size(); ++i)
        line.lineTo(at(i));
    p.setPen(QPen(c.fjord, 1.6));
    p.drawPath(line);
    p.setBrush(c.fjord);
    p.setPen(Qt::NoPen);
    p.drawEllipse(at(course_.size() - 1), 2.5, 2.5);
}

} // namespace moorfrost::app
