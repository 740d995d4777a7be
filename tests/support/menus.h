// SPDX-License-Identifier: GPL-3.0-or-later
// Menus and the mouse, as the window system would bring them.
#pragma once

#include <QtTest>

#include <QAbstractItemView>
#include <QApplication>
#include <QMenu>
#include <QTimer>

#include <functional>

namespace moorfrost::app {

/// `open` opens a menu (and returns when it is closed); the entry that begins with each of these texts is
/// taken, a submenu first. False if there is no such entry, or it cannot be taken.
inline bool chooseFrom(const QStringList& way, const std::function<void()>& open,
                       QStringList* offered = nullptr) {
    bool done = false;
    QTimer::singleShot(0, qApp, [&] {
        auto* top = qobject_cast<QMenu*>(QApplication::activePopupWidget());
        QMenu* menu = top;
        for (qsizetype i = 0; menu && i < way.size(); ++i) {
            QMenu* next = nullptr;
            for (QAction* a : menu->actions()) {
                QString text = a->text();
                text.remove('&');
                if (offered && !a->isSeparator() && i + 1 == way.size())
                    *offered << text;
                if (!text.startsWith(way[i]) || !a->isEnabled() || done)
                    continue;
                if (i + 1 == way.size()) {
                    done = true;
                    a->trigger();
                } else if (!next) {
                    next = a->menu();
                }
            }
            menu = next;
        }
        if (top)
            top->close();
    });
    open();
    return done;
}

/// The middle of a row, in the coordinates of its window.
inline QPoint inWindow(QWidget* widget, const QPoint& at) {
    return widget->mapTo(widget->window(), at);
}
inline QPoint inWindow(QAbstractItemView* view, const QModelIndex& index) {
    view->scrollTo(index);
    return inWindow(view->viewport(), view->visualRect(index).center());
}

/// Through the window, which makes the request for a menu of it.
inline void rightClick(QWidget* widget, const QPoint& at) {
    QTest::mouseClick(widget->window()->windowHandle(), Qt::RightButton, {}, inWindow(widget, at));
    QCoreApplication::processEvents();
}
inline void rightClick(QAbstractItemView* view, const QModelIndex& index) {
    view->scrollTo(index);
    rightClick(view->viewport(), view->visualRect(index).center());
}
inline void doubleClick(QAbstractItemView* view, const QModelIndex& index) {
    const QPoint at = inWindow(view, index);
    QTest::mouseClick(view->window()->windowHandle(), Qt::LeftButton, {}, at);
    QTest::mouseDClick(view->window()->windowHandle(), Qt::LeftButton, {}, at);
    QCoreApplication::processEvents();
}

} // namespace moorfrost::app
