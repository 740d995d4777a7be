// SPDX-License-Identifier: GPL-3.0-or-later
// How many findings there were, day by day: a small plot.
#pragma once

#include <QWidget>

#include <string>
#include <utility>
#include <vector>

namespace moorfrost::app {

class CoursePlot : public QWidget {
    Q_OBJECT
public:
    explicit CoursePlot(QWidget* parent = nullptr);
    /// The day (ISO 8601) and how many, the earliest first.
    void show(const std::vector<std::pair<std::string, size_t>>& course);
    /// What it shows, in words.
    QString told() const { return accessibleDescription(); }
    QSize sizeHint() const override { return {120, 28}; }
    QSize minimumSizeHint() const override { return {60, 28}; }

protected:
    void paintEvent(QPaintEvent*) override;

private:
    std::vector<std::pair<std::string, size_t>> course_;
};

} // namespace moorfrost::app
