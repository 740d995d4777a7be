// SPDX-License-Identifier: GPL-3.0-or-later
// Text that was stored in one encoding and read in another: what it would be in the right one, file by file,
// before any of it becomes a draft.
#pragma once

#include <QDialog>
#include <QTreeWidget>

#include "app/control/drafts_controller.h"
#include "app/control/files_controller.h"

class QLabel;
class QPushButton;

namespace moorfrost::app {

class Choice;

class MendTextDialog : public QDialog {
    Q_OBJECT
public:
    /// What it uses.
    struct Uses {
        FilesController& files;
        DraftsController& drafts;
    };

    MendTextDialog(const Uses& use, std::vector<FileId> files, QWidget* parent = nullptr);
    QTreeWidget* results() { return tree_; }
    Choice* encoding() { return encoding_; }
    QPushButton* takeButton() { return take_; }

private:
    void fill();
    void count();
    void take();

    Uses use_;
    std::vector<FileId> files_;
    edits::Proposals rows_;
    Choice* encoding_;
    QTreeWidget* tree_;
    QLabel* summary_;
    QPushButton* take_;
};

} // namespace moorfrost::app
