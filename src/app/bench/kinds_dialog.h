// SPDX-License-Identifier: GPL-3.0-or-later
// What kinds of sound are proposed for files of the batch, to be confirmed or put right.
#pragma once

#include <QDialog>

#include "app/control/content_kinds.h"
#include "app/control/files_controller.h"

class QLabel;
class QPushButton;
class QTreeWidget;
class QTreeWidgetItem;

namespace moorfrost::app {

class KindsDialog : public QDialog {
    Q_OBJECT
public:
    /// What it uses.
    struct Uses {
        FilesController& files;
        ContentKinds& kinds;
    };

    KindsDialog(const Uses& use, QWidget* parent = nullptr);
    QTreeWidget* list() { return tree_; }
    QPushButton* confirmButton() { return confirm_; }
    QPushButton* kindButton(matching::ContentKind kind) { return kindButtons_[static_cast<size_t>(kind)]; }

signals:
    void playRequested(moorfrost::app::FileId id);

private:
    void fill();
    void setKind(QTreeWidgetItem* item, matching::ContentKind kind);
    void setSelected(matching::ContentKind kind);
    void confirm();
    void refresh();
    Uses use_;
    QTreeWidget* tree_;
    QLabel* summary_;
    QPushButton *confirm_, *play_, *listen_;
    std::vector<QPushButton*> kindButtons_;
};

} // namespace moorfrost::app
