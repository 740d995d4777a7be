// SPDX-License-Identifier: GPL-3.0-or-later
// Beside a release: its pictures by type, those of its files and those that were added to it. Added by a
// button, by drop or by Ctrl+V; looked at by a double click or Return.
#pragma once

#include <QFrame>
#include <QListWidget>

#include "app/control/files_controller.h"
#include "app/control/pictures_controller.h"
#include "app/control/releases_controller.h"

class QPushButton;

namespace moorfrost::app {

class ReleasePicturesBox : public QFrame {
    Q_OBJECT
public:
    /// What it uses.
    struct Uses {
        FilesController& files;
        PicturesController& pictures;
        ReleasesController& releases;
    };
    explicit ReleasePicturesBox(const Uses& use, QWidget* parent = nullptr);
    void show(const ShownRelease& release);
    QListWidget* list() { return list_; }
    QPushButton* addButton() { return add_; }
    void add(const std::vector<Path>& files);
    /// Those that were added, as drafts for the files of the release.
    void putIntoFiles();
    void removeCurrent();
    void setType(const std::string& type);

protected:
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dropEvent(QDropEvent* event) override;

private:
    const library::ReleasePicture* current() const;
    Path holderOf(const library::ReleasePicture& picture) const;
    void showIcons();
    void fit();
    void chooseFiles();
    void paste();
    void look();
    void showMenu(const QPoint& at);

    Uses use_;
    QListWidget* list_;
    QPushButton* add_;
    ShownRelease shown_;
};

} // namespace moorfrost::app
