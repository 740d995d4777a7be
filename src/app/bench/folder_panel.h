// SPDX-License-Identifier: GPL-3.0-or-later
// Describe / folder by folder: the folders that are looked through, in the place of the sleeves.
#pragma once

#include <QFrame>
#include <QListView>

#include "app/control/bring_in.h"
#include "app/control/folder_walk.h"

class QLabel;
class QPushButton;

namespace moorfrost::app {

class FolderListModel;
class ShortLabel;

class FolderPanel : public QFrame {
    Q_OBJECT
public:
    /// What it uses.
    struct Uses {
        FolderWalk& folders;
        BringIn& bringIn;
    };

    explicit FolderPanel(const Uses& use, QWidget* parent = nullptr);
    QListView* list() { return list_; }
    /// Asks for a place to look through.
    void ask();

private:
    void refresh();

    Uses use_;
    FolderListModel* model_;
    QListView* list_;
    ShortLabel *root_, *count_;
    QPushButton *previous_, *next_, *bring_;
    bool filling_ = false;
};

} // namespace moorfrost::app
