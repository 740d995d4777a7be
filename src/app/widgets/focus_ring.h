// SPDX-License-Identifier: GPL-3.0-or-later
// A frame around what has the keyboard, while one goes by keyboard. For what does not show it by itself:
// lists, boxes to be ticked, text with links. One for the whole application.
#pragma once

#include <QPointer>
#include <QWidget>

namespace moorfrost::app {

class FocusRing : public QWidget {
    Q_OBJECT
public:
    /// Follows from now on. `owner`: with which it ends.
    static void follow(QObject* owner);

protected:
    void paintEvent(QPaintEvent*) override;
    bool eventFilter(QObject* object, QEvent* event) override;

private:
    explicit FocusRing(QWidget* around);
};

/// Tells all of a text that there was no room for, when it is pointed at: of a line that waits to be filled,
/// of a choice, of a button. One for the whole application.
class FullText : public QObject {
    Q_OBJECT
public:
    explicit FullText(QObject* owner);
    /// What is told of that widget; empty where all of it can be read, or it tells something itself.
    static QString of(const QWidget* widget);

protected:
    bool eventFilter(QObject* object, QEvent* event) override;
};

} // namespace moorfrost::app
