// SPDX-License-Identifier: GPL-3.0-or-later
// A shelf whose folder is elsewhere now: looked at, asked about, followed. One shelf, or all of a library
// that came from another machine.
#pragma once

#include <QDialog>

#include "app/control/shelves_controller.h"

class QGridLayout;
class QLabel;

namespace moorfrost::app {

/// Tells how many of its files stand in that folder, and asks whether the library is to follow.
void followShelf(QWidget* asker, ShelvesController& shelves, const library::Shelf& shelf, const Path& to);

/// Each shelf with whether it is here, and the way to say where it is.
class ShelvesHereDialog : public QDialog {
    Q_OBJECT
public:
    explicit ShelvesHereDialog(ShelvesController& shelves, QWidget* parent = nullptr);

    /// As if that folder had been chosen for it.
    void say(int64_t shelf, const Path& to);
    QString said() const;

private:
    void refresh();

    ShelvesController& shelves_;
    QGridLayout* grid_;
    QLabel* said_;
};

} // namespace moorfrost::app
