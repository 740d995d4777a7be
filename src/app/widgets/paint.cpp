// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/paint.h"

#include <QCoreApplication>
#include <QFontMetrics>
#include <QPainterPath>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"

namespace moorfrost::app::paint {

QColor ink(Tone tone) {
    const auto& c = theme::colours();
    switch (tone) {
    case Tone::Draft:
        return c.heather;
    case Tone::Good:
        return c.moss;
    case Tone::Attention:
        return c.lichen;
    case Tone::Wrong:
        return c.rowan;
    case Tone::Neutral:
        break;
    }
    return c.second;
}

QColor back(Tone tone) {
    const auto& c = theme::colours();
    switch (tone) {
    case Tone::Draft:
        return c.heatherBack;
    case Tone::Good:
        return c.mossBack;
    case Tone::Attention:
        return c.lichenBack;
    case Tone::Wrong:
        return c.rowanBack;
    case Tone::Neutral:
        break;
    }
    return c.sunk;
}

void notch(QPainter& painter, const QRect& rect) {
    const bool mirrored = painter.layoutDirection() == Qt::RightToLeft;
    const int corner = mirrored ? rect.right() + 1 : rect.left();
    QPainterPath path;
    path.moveTo(corner, rect.top());
    path.lineTo(corner + (mirrored ? -8 : 8), rect.top());
    path.lineTo(corner, rect.top() + 8);
    path.closeSubpath();
    painter.fillPath(path, theme::colours().heather);
}

int tally(QPainter& painter, const QRect& row, QPoint at, const std::vector<audit::ReadinessPart>& parts,
          int width) {
    std::vector<audit::Met> marks;
    for (const audit::ReadinessPart& part : parts)
        marks.push_back(part.met);
    return tally(painter, row, at, marks, width);
}

int tally(QPainter& painter, const QRect& row, QPoint at, const std::vector<audit::Met>& marks, int width) {
    const auto& c = theme::colours();
    const Mirror side(painter, row);
    int x = at.x();
    // Many rules make narrower marks.
    const int step = marks.empty() ? 16 : std::clamp(width / static_cast<int>(marks.size()), 7, 16);
    for (audit::Met met : marks) {
        const QRect mark = side(QRect(x, at.y(), step - 3, 4));
        // Shape goes with colour: full, half, and only an outline.
        if (met == audit::Met::Yes) {
            painter.fillRect(mark, c.moss);
        } else if (met == audit::Met::Partly) {
            const Mirror half(painter, mark);
            painter.fillRect(half(mark.adjusted(0, 0, -mark.width() / 2, 0)), c.lichen);
            painter.fillRect(half(mark.adjusted(mark.width() / 2 + 1, 3, 0, 0)), c.lichen);
        } else if (met == audit::Met::NotAsked) {
            painter.fillRect(mark.adjusted(mark.width() / 3, 1, -mark.width() / 3, -1), c.third);
        } else {
            painter.setPen(c.rowan);
            painter.drawRect(mark.adjusted(0, 0, -1, -1));
        }
        x += step;
    }
    return x - at.x();
}

namespace {

QString metText(audit::Met met) {
    const char* mark = met == audit::Met::Yes      ? QT_TRANSLATE_NOOP("Tally", "met")
                       : met == audit::Met::Partly ? QT_TRANSLATE_NOOP("Tally", "partly")
                       : met == audit::Met::No     ? QT_TRANSLATE_NOOP("Tally", "not met")
                                                   : QT_TRANSLATE_NOOP("Tally", "not asked");
    return QCoreApplication::translate("Tally", mark);
}

QString ruleText(const std::string& rule) {
    return spoken(rule);
}

} // namespace

QString marksText(const std::vector<std::string>& rules, const std::vector<audit::Met>& marks) {
    QStringList lines;
    for (size_t i = 0; i < std::min(rules.size(), marks.size()); ++i)
        lines << QString("%1: %2").arg(ruleText(rules[i]), metText(marks[i]));
    return lines.join('\n');
}

QString tallyText(const std::vector<audit::ReadinessPart>& parts) {
    QStringList lines;
    for (const audit::ReadinessPart& part : parts)
        lines << QString("%1: %2 (%3)").arg(ruleText(part.name), metText(part.met), spoken(part.detail));
    return lines.join('\n');
}

void listRow(QPainter& painter, const QRect& r, bool chosen, bool focused) {
    const auto& c = theme::colours();
    painter.fillRect(r, chosen ? c.fjordBack : c.panel);
    if (chosen)
        painter.fillRect(Mirror(painter, r)(QRect(r.left(), r.top(), 3, r.height())), c.heather);
    if (focused && !chosen) {
        painter.setPen(c.fjord);
        painter.drawRect(r.adjusted(0, 0, -1, -2));
    }
    painter.fillRect(QRect(r.left(), r.bottom(), r.width(), 1), c.faint);
}

int pillWidth(const QString& text) {
    return QFontMetrics(theme::uiFont(11, QFont::DemiBold)).horizontalAdvance(text) + 16;
}

int pill(QPainter& painter, int right, const QRect& row, const QString& text, Tone tone) {
    painter.save();
    QFont font = theme::uiFont(11, QFont::DemiBold);
    int width = pillWidth(text);
    const QRect rect = Mirror(painter, row)(QRect(right - width, row.center().y() - 8, width, 18));
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(Qt::NoPen);
    painter.setBrush(back(tone));
    painter.drawRoundedRect(rect, 9, 9);
    painter.setPen(ink(tone));
    painter.setFont(font);
    painter.drawText(rect, Qt::AlignCenter, text);
    painter.restore();
    return width;
}

void blankCover(QPainter& painter, const QRect& rect, const QString& icon) {
    const auto& c = theme::colours();
    painter.fillRect(rect, c.sunk);
    int side = std::min(24, rect.width() / 2);
    qreal ratio = painter.device()->devicePixelRatioF();
    painter.drawPixmap(QRect(rect.center().x() - side / 2 + 1, rect.center().y() - side / 2 + 1, side, side),
                       theme::pixmap(icon, c.third, side, ratio));
}

} // namespace moorfrost::app::paint
