// SPDX-License-Identifier: GPL-3.0-or-later
// Every action by its name: type a part of it, Enter does it.
#pragma once

#include <QAction>
#include <QDialog>

class QLineEdit;
class QListWidget;

namespace moorfrost::app {

class CommandFinder : public QDialog {
    Q_OBJECT
public:
    CommandFinder(const QList<QAction*>& actions, QWidget* parent);

private:
    void refill();
    void trigger();
    QList<QAction*> actions_;
    QLineEdit* search_;
    QListWidget* list_;
};

} // namespace moorfrost::app
