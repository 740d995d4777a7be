// SPDX-License-Identifier: GPL-3.0-or-later
// Copies fields from one track to others, as from a lead version to its versions: field by field, each result
// shown before. What is taken becomes drafts.
#pragma once

#include <QDialog>
#include <QTreeWidget>

#include "app/control/drafts_controller.h"
#include "app/widgets/controls.h"

namespace moorfrost::app {

class CopyFieldsDialog : public QDialog {
    Q_OBJECT
public:
    /// All of them taken up.
    CopyFieldsDialog(DraftsController& drafts, FilesController& files, FileId from,
                     const std::vector<FileId>& to, QWidget* parent = nullptr);
    QTreeWidget* tree() { return tree_; }
    QPushButton* takeButton() { return take_; }
    std::vector<library::DraftSession::Wish> wishes() const;

private:
    void tell();

    std::map<std::string, std::vector<std::string>> values_; // of the one that is copied from
    QTreeWidget* tree_;
    QPushButton* take_;
    QLabel* summary_;
};

} // namespace moorfrost::app
