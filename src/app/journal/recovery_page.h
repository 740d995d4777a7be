// SPDX-License-Identifier: GPL-3.0-or-later
// Shown once after Moorfrost was interrupted while it wrote: what was finished, what is as it was before,
// what is set aside and why.
#pragma once

#include <QLabel>
#include <QTreeWidget>

#include "app/shell/session.h"

namespace moorfrost::app {

class RecoveryPage : public QWidget {
    Q_OBJECT
public:
    explicit RecoveryPage(Session& session, QWidget* parent = nullptr);
    QTreeWidget* tree() { return tree_; }
    QString text() const { return text_->text(); }

signals:
    void goOn();
    void journalWanted();

private:
    void refresh();
    Session& session_;
    QLabel* text_;
    QTreeWidget* tree_;
};

} // namespace moorfrost::app
