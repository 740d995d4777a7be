// SPDX-License-Identifier: GPL-3.0-or-later
// F1: the manual, opened at what is in sight.
#pragma once

#include <QAction>
#include <QMenu>
#include <QPointer>

#include <functional>

#include "app/help/manual_window.h"

namespace moorfrost::app {

class Help : public QObject {
    Q_OBJECT
public:
    /// `here`: the place in the manual of what the window shows. `commands`: the menu that has all of them.
    Help(QWidget* window, std::function<QString()> here, std::function<const QMenu*()> commands);

    /// At what the window shows; at what a dialog is about (its property "manual") while one is open.
    void openHere();
    /// "put-away#clashes": a page, maybe with a heading.
    void open(const QString& place);
    ManualWindow* window() { return manual_; }

protected:
    bool eventFilter(QObject* object, QEvent* event) override;

private:
    QWidget* over_;
    std::function<QString()> here_;
    std::function<const QMenu*()> commands_;
    QPointer<ManualWindow> manual_;
};

/// All commands of the menu with their keys, by its parts: a page of the manual, behind what is written
/// there.
ManualPage keysPage(const QMenu& menu, const ManualPage* written);

} // namespace moorfrost::app
