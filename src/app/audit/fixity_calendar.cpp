// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/audit/fixity_calendar.h"

#include <QDateTime>
#include <QHelpEvent>
#include <QKeyEvent>
#include <QLocale>
#include <QMouseEvent>
#include <QPainter>
#include <QStyle>
#include <QToolTip>

#include <algorithm>
#include <cmath>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/paint.h"

namespace moorfrost::app {

namespace {

constexpr int side = 16, gap = 4, leftRoom = 34, topRoom = 22, mostWeeks = 26;

} // namespace

FixityCalendar::FixityCalendar(QWidget* parent)
    : QWidget(parent), today_(QDate::currentDate()), day_(today_) {
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName(tr("Calendar of what was compared"));
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
}

void FixityCalendar::show(const std::vector<library::FixityRound>& rounds) {
    today_ = QDate::currentDate();
    days_.clear();
    most_ = 1;
    for (const library::FixityRound& round : rounds) {
        Day& day = days_[QDateTime::fromSecsSinceEpoch(round.began).date()];
        day.files += round.files;
        day.bytes += round.bytes;
        day.taken += round.taken;
        day.trouble += round.trouble;
        most_ = std::max(most_, day.files);
    }
    setAccessibleDescription(told(day_));
    update();
}

QString FixityCalendar::told(QDate date) const {
    const QString day = QLocale().toString(date, QLocale::LongFormat);
    const auto at = days_.find(date);
    if (at == days_.end())
        return tr("%1: nothing was compared").arg(day);
    QString out = tr("%1: %n file(s), %2", "", static_cast<int>(at->second.files))
                      .arg(day, QLocale().formattedDataSize(static_cast<qint64>(at->second.bytes), 1,
                                                            QLocale::DataSizeSIFormat));
    if (at->second.taken > 0)
        out += ", " + tr("%L1 of them for the first time").arg(at->second.taken);
    if (at->second.trouble > 0)
        out += ", " + tr("%L1 not as they were kept").arg(at->second.trouble);
    return out;
}

int FixityCalendar::weeks() const {
    return std::clamp((width() - leftRoom) / (side + gap), 4, mostWeeks);
}

QDate FixityCalendar::firstDay() const {
    return today_.addDays(1 - today_.dayOfWeek()).addDays(-7 * (weeks() - 1));
}

QRect FixityCalendar::cell(QDate day) const {
    const auto days = static_cast<int>(firstDay().daysTo(day));
    if (days < 0 || day > today_)
        return {};
    const QRect at(leftRoom + days / 7 * (side + gap), topRoom + days % 7 * (side + gap), side, side);
    return QStyle::visualRect(layoutDirection(), rect(), at);
}

QDate FixityCalendar::dayAt(const QPoint& point) const {
    const QPoint p = QStyle::visualPos(layoutDirection(), rect(), point);
    if (p.x() < leftRoom || p.y() < topRoom)
        return {};
    const int week = (p.x() - leftRoom) / (side + gap), row = (p.y() - topRoom) / (side + gap);
    if (week >= weeks() || row > 6)
        return {};
    const QDate day = firstDay().addDays(week * 7 + row);
    return day <= today_ ? day : QDate();
}

void FixityCalendar::choose(QDate day) {
    if (!day.isValid() || day > today_ || day == day_)
        return;
    day_ = day;
    setAccessibleDescription(told(day_));
    update();
    emit chosen(day_);
}

void FixityCalendar::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const auto& c = theme::colours();
    const paint::Mirror mirror(p, rect());
    p.setFont(theme::uiFont(11));
    p.setPen(c.second);
    for (const int row : {0, 2, 4, 6})
        p.drawText(mirror(QRect(0, topRoom + row * (side + gap), leftRoom - 8, side)),
                   Qt::AlignRight | Qt::AlignVCenter, QLocale().dayName(row + 1, QLocale::ShortFormat));
    int month = 0, free = 0;
    for (QDate day = firstDay(); day <= today_; day = day.addDays(1)) {
        const QRect at = cell(day);
        const int begin = mirror(at).left(); // from where reading begins
        if (day.month() != month && begin >= free) {
            month = day.month();
            p.setPen(c.second);
            const QString name = QLocale().monthName(month, QLocale::ShortFormat);
            const int width = QFontMetrics(p.font()).horizontalAdvance(name);
            p.drawText(QPoint(mirror(QRect(begin, 0, width, 1)).left(), topRoom - 7), name);
            free = begin + width + 8;
        }
        const auto of = days_.find(day);
        QColor fill = c.sunk;
        if (of != days_.end()) {
            const double part =
                0.35 + 0.65 * std::sqrt(static_cast<double>(of->second.files) / static_cast<double>(most_));
            fill = of->second.trouble > 0 ? c.rowan : c.moss;
            fill.setAlphaF(static_cast<float>(of->second.trouble > 0 ? 1 : part));
        }
        p.setPen(Qt::NoPen);
        p.setBrush(fill);
        p.drawRoundedRect(at, 3, 3);
        if (day == day_) {
            p.setBrush(Qt::NoBrush);
            p.setPen(QPen(hasFocus() ? c.heather : c.ink, 1.6));
            p.drawRoundedRect(QRectF(at).adjusted(-1.5, -1.5, 1.5, 1.5), 4, 4);
        }
    }
}

void FixityCalendar::mousePressEvent(QMouseEvent* event) {
    choose(dayAt(event->position().toPoint()));
}

void FixityCalendar::keyPressEvent(QKeyEvent* event) {
    switch (event->key()) {
    case Qt::Key_Left:
    case Qt::Key_Right: {
        const bool later = (event->key() == Qt::Key_Right) != isRightToLeft();
        return choose(std::clamp(day_.addDays(later ? 7 : -7), firstDay(), today_));
    }
    case Qt::Key_Up:
        return choose(std::max(firstDay(), day_.addDays(-1)));
    case Qt::Key_Down:
        return choose(std::min(today_, day_.addDays(1)));
    case Qt::Key_End:
        return choose(today_);
    default:
        QWidget::keyPressEvent(event);
    }
}

bool FixityCalendar::event(QEvent* event) {
    if (event->type() == QEvent::ToolTip) {
        const auto* help = static_cast<QHelpEvent*>(event);
        if (const QDate day = dayAt(help->pos()); day.isValid())
            QToolTip::showText(help->globalPos(), told(day), this);
        else
            QToolTip::hideText();
        return true;
    }
    return QWidget::event(event);
}

} // namespace moorfrost::app
