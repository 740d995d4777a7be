// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/order_list.h"

#include <QDropEvent>
#include <QKeyEvent>

namespace moorfrost::app {

OrderList::OrderList(QWidget* parent) : QListWidget(parent) {
    setFrameShape(QFrame::NoFrame);
    setDragDropMode(QAbstractItemView::InternalMove);
    setDefaultDropAction(Qt::MoveAction);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
}

void OrderList::moveCurrent(int by) {
    const int from = currentRow(), to = from + by;
    if (from >= 0 && to >= 0 && to < count())
        emit moved(from, to);
}

void OrderList::keyPressEvent(QKeyEvent* event) {
    if (event->modifiers() == Qt::AltModifier && (event->key() == Qt::Key_Up || event->key() == Qt::Key_Down))
        return moveCurrent(event->key() == Qt::Key_Up ? -1 : 1);
    if (event->key() == Qt::Key_Delete && currentRow() >= 0) {
        emit removed(currentRow());
        return;
    }
    QListWidget::keyPressEvent(event);
}

void OrderList::dropEvent(QDropEvent* event) {
    // Who has the order moves it, and fills the list anew: the view itself moves nothing.
    const int from = currentRow();
    const QModelIndex over = indexAt(event->position().toPoint());
    int to = over.isValid() ? over.row() : count();
    if (over.isValid() && event->position().y() > visualRect(over).center().y())
        ++to;
    event->setDropAction(Qt::IgnoreAction);
    event->accept();
    if (to > from)
        --to;
    if (from >= 0 && to != from)
        QMetaObject::invokeMethod(
            this, [this, from, to] { emit moved(from, to); }, Qt::QueuedConnection);
}

} // namespace moorfrost::app
