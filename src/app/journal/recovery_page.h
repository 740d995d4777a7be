// SPDX-License-Identifier: GPL-3.0-or-later
// Shown once after Moorfrost was interrupted while it wrote: what was finished, what is as it was before,
// what is set aside and why.
#pragma once

#include <QLabel>
#include <QTreeWidget>

#include "app/control/library_care.h"
#include "app/control/shelves_controller.h"

namespace moorfrost::app {

class RecoveryPage : public QWidget {
    Q_OBJECT
public:
    /// What it uses.
    struct Uses {
        ShelvesController& shelves;
        LibraryCare& care;
    };

    explicit RecoveryPage(const Uses& use, QWidget* parent = nullptr);
    QTreeWidget* tree() { return tree_; }
    QString text() const { return text_->text(); }

signals:
    void goOn();
    void journalWanted();

private:
    void refresh();
    Uses use_;
    QLabel* text_;
    QTreeWidget* tree_;
};

} // namespace moorfrost::app
