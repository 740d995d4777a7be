// SPDX-License-Identifier: GPL-3.0-or-later
// Choosing a layout, keeping it under a name, handing it on as a file: for every kind of layout the same.
#pragma once

#include <QPushButton>
#include <QWidget>

#include "app/control/kept_layouts.h"
#include "app/control/messages.h"
#include "app/widgets/controls.h"

namespace moorfrost::app {

class LayoutBar : public QWidget {
    Q_OBJECT
public:
    LayoutBar(Layouts& layouts, Messages& messages, QWidget* parent = nullptr);
    Choice* choice() { return choice_; }
    QPushButton* menuButton() { return more_; }
    /// Asks for the name.
    void keep();
    void handOn(const Path& file);
    void takeIn(const Path& file);

private:
    void fill();
    void show();
    void showMenu();

    Layouts& layouts_;
    Messages& messages_;
    Choice* choice_;
    QPushButton* more_;
};

/// All of a file that a person chose: a layout, a profile. An Error where it is too large to be one.
Result<std::string> smallFile(const Path& file);

/// The folder in which files that go out were saved last, and its remembering.
QString deliverFolder();
void rememberDeliverFolder(const QString& file);

} // namespace moorfrost::app
