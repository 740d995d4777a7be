// SPDX-License-Identifier: GPL-3.0-or-later
// The parts of the Releases workspace, as buttons at the top of each: editions, people, works,
// agreements.
#pragma once

#include <QWidget>

class QPushButton;

namespace moorfrost::app {

class PartButtons : public QWidget {
    Q_OBJECT
public:
    enum Part { Editions, People, Works, Agreements };
    explicit PartButtons(Part current, QWidget* parent = nullptr);
    QPushButton* button(Part part) { return buttons_[part]; }

signals:
    void wanted(moorfrost::app::PartButtons::Part part);

private:
    QPushButton* buttons_[4];
};

} // namespace moorfrost::app
