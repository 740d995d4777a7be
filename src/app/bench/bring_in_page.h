// SPDX-License-Identifier: GPL-3.0-or-later
// Bench / Bring in: adding folders and files, what was found, and what is wrong with it.
#pragma once

#include <QPushButton>
#include <QStackedWidget>
#include <QTreeWidget>

#include "app/shell/session.h"

class QCheckBox;
class QLabel;

namespace moorfrost::app {

class EmptyHint;

class BringInPage : public QWidget {
    Q_OBJECT
public:
    BringInPage(Session& session, QWidget* parent = nullptr);
    void addFolder();
    void addFiles();
    bool withSubfolders() const;
    void setFiles(std::vector<FileId> files);

signals:
    void playRequested(moorfrost::app::FileId id);

private:
    void refresh();
    void fillRecent();
    void removeChosen();
    void showMenu(const QPoint& at);

    Session& session_;
    std::vector<FileId> files_;
    QPushButton* recent_;
    QCheckBox* subfolders_;
    QStackedWidget* stack_;
    EmptyHint* empty_;
    QTreeWidget* tree_;
    QPushButton* resort_;
    QWidget* bottom_;
    QLabel *found_, *formats_, *attention_, *wrong_;
};

} // namespace moorfrost::app
