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
class FileDetails;

class BringInPage : public QWidget {
    Q_OBJECT
public:
    BringInPage(Session& session, QWidget* parent = nullptr);
    void addFolder();
    void addFiles();
    bool withSubfolders() const;
    void setFiles(std::vector<FileId> files);
    void checkFiles();
    FileDetails* details() { return details_; }
    QTreeWidget* tree() { return tree_; }

signals:
    void playRequested(moorfrost::app::FileId id);

protected:
    void resizeEvent(QResizeEvent* event) override;

private:
    void refresh();
    void fillRecent();
    void removeChosen();
    void showMenu(const QPoint& at);
    void showDetails();
    void mendText();
    std::vector<FileId> chosen() const; // files, also those of chosen folders

    Session& session_;
    std::vector<FileId> files_;
    QPushButton* recent_;
    QCheckBox* subfolders_;
    QStackedWidget* stack_;
    EmptyHint* empty_;
    QTreeWidget* tree_;
    FileDetails* details_;
    QPushButton* resort_;
    QWidget* bottom_;
    QLabel *found_, *formats_, *attention_, *wrong_;
};

} // namespace moorfrost::app
