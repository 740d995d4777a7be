// SPDX-License-Identifier: GPL-3.0-or-later
// What a batch is: its name, a note, and where and when its files came from.
#pragma once

#include <QDialog>

#include "app/control/batch_controller.h"

class QLineEdit;
class QPlainTextEdit;
class QTreeWidget;

namespace moorfrost::app {

class BatchDialog : public QDialog {
    Q_OBJECT
public:
    /// What it uses.
    struct Uses {
        BatchController& batch;
    };

    explicit BatchDialog(const Uses& use, QWidget* parent = nullptr);
    QLineEdit* name() { return name_; }
    QPlainTextEdit* note() { return note_; }
    QTreeWidget* origins() { return origins_; }
    void accept() override;

private:
    Uses use_;
    QLineEdit* name_;
    QPlainTextEdit* note_;
    QTreeWidget* origins_;
};

} // namespace moorfrost::app
