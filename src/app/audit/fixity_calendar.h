// SPDX-License-Identifier: GPL-3.0-or-later
// Half a year of rounds: a column a week, a square a day, darker for more; in red where something was found.
#pragma once

#include <QDate>
#include <QWidget>

#include <map>
#include <vector>

#include "core/library/store/fixity_round_table.h"

namespace moorfrost::app {

class FixityCalendar : public QWidget {
    Q_OBJECT
public:
    explicit FixityCalendar(QWidget* parent = nullptr);
    void show(const std::vector<library::FixityRound>& rounds);
    QDate day() const { return day_; }
    void choose(QDate day);
    /// What a day had, for people.
    QString told(QDate day) const;
    QRect cell(QDate day) const;
    QSize sizeHint() const override { return {560, 176}; }
    QSize minimumSizeHint() const override { return {200, 176}; }

signals:
    void chosen(QDate day);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    bool event(QEvent* event) override;

private:
    struct Day {
        uint64_t files = 0, bytes = 0, taken = 0, trouble = 0;
    };
    QDate firstDay() const;
    int weeks() const;
    QDate dayAt(const QPoint& point) const;

    std::map<QDate, Day> days_;
    QDate today_, day_;
    uint64_t most_ = 1;
};

} // namespace moorfrost::app
