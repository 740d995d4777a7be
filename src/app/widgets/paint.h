// SPDX-License-Identifier: GPL-3.0-or-later
// Marks that several views paint alike: the draft notch, the tally, pills, the place where a cover will be.
#pragma once

#include <QPainter>
#include <QRect>
#include <QString>

#include "core/audit/readiness.h"

namespace moorfrost::app::paint {

enum class Tone { Neutral, Draft, Good, Attention, Wrong };

/// Where things of a row lie: as they are reckoned from the left, or mirrored in it where the painter reads
/// from the right. `drawText` turns left and right by itself, within its rectangle.
class Mirror {
public:
    Mirror(const QPainter& painter, const QRect& row)
        : row_(row), on_(painter.layoutDirection() == Qt::RightToLeft) {}

    bool isOn() const { return on_; }
    QRect operator()(const QRect& rect) const {
        return on_ ? rect.translated(row_.left() + row_.right() - rect.left() - rect.right(), 0) : rect;
    }

private:
    QRect row_;
    bool on_;
};

QColor ink(Tone tone);
QColor back(Tone tone);
/// The notch in the top corner, where reading begins, of what holds a draft.
void notch(QPainter& painter, const QRect& rect);
/// Readiness as a strip of marks in a row, from `at`, reckoned from the left. At most `width` pixels wide;
/// returns how wide it is.
int tally(QPainter& painter, const QRect& row, QPoint at, const std::vector<audit::ReadinessPart>& parts,
          int width);
int tally(QPainter& painter, const QRect& row, QPoint at, const std::vector<audit::Met>& marks, int width);
QString tallyText(const std::vector<audit::ReadinessPart>& parts);
/// A line for each rule: whether it is met.
QString marksText(const std::vector<std::string>& rules, const std::vector<audit::Met>& marks);
/// The ground of a row in a list of sleeves or sets: chosen, focused, its line below.
void listRow(QPainter& painter, const QRect& rect, bool chosen, bool focused);
/// A rounded label whose right edge is at `right`, reckoned from the left of the row; returns the width used.
int pill(QPainter& painter, int right, const QRect& row, const QString& text, Tone tone);
int pillWidth(const QString& text);
/// A square for a file or sleeve that has no picture.
void blankCover(QPainter& painter, const QRect& rect, const QString& icon);

} // namespace moorfrost::app::paint
