// SPDX-License-Identifier: GPL-3.0-or-later
// Rows in an order that a person gives: dragged, or moved with Alt+Up and Alt+Down; Delete takes one out.
#pragma once

#include <QListWidget>

namespace moorfrost::app {

class OrderList : public QListWidget {
    Q_OBJECT
public:
    explicit OrderList(QWidget* parent = nullptr);
    void moveCurrent(int by);

signals:
    /// The row now stands elsewhere: `to` is counted without it.
    void moved(int from, int to);
    void removed(int row);

protected:
    void keyPressEvent(QKeyEvent* event) override;
    void dropEvent(QDropEvent* event) override;
};

} // namespace moorfrost::app
