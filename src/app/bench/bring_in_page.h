// SPDX-License-Identifier: GPL-3.0-or-later
// Bench / Bring in: adding folders and files, what was found, and what is wrong with it.
#pragma once

#include <QPointer>
#include <QPushButton>
#include <QStackedWidget>
#include <QTreeView>

#include "app/bench/folder_model.h"
#include "app/shell/session.h"

class QCheckBox;
class QLabel;
class QMenu;

namespace moorfrost::app {

class EmptyHint;
class FileDetails;
class ShortLabel;

class CheckFilesDialog;

class BringInPage : public QWidget {
    Q_OBJECT
public:
    BringInPage(Session& session, QWidget* parent = nullptr);
    void addFolder();
    void addFiles();
    void gather();
    bool withSubfolders() const;
    void setSleeves(const std::vector<const SleeveView*>& sleeves);
    void checkFiles();
    void confirmKinds();
    std::vector<FileId> chosen() const; // files, also those of chosen folders
    FileDetails* details() { return details_; }
    QTreeView* tree() { return tree_; }
    FolderModel* model() { return model_; }

signals:
    void playRequested(moorfrost::app::FileId id);
    /// What others have to offer for the chosen files goes in.
    void menuOpens(QMenu& menu);

protected:
    void resizeEvent(QResizeEvent* event) override;

private:
    void refresh();
    bool isWide() const { return width() >= 760; }
    void fillRecent();
    void removeChosen();
    void showMenu(const QPoint& at);
    void showDetails();
    void mendText();
    Session& session_;
    QPushButton* recent_;
    QCheckBox* subfolders_;
    QStackedWidget* stack_;
    EmptyHint* empty_;
    FolderModel* model_;
    QTreeView* tree_;
    FileDetails* details_;
    QPushButton *resort_, *kinds_;
    QWidget* bottom_;
    ShortLabel* formats_;
    QLabel *found_, *attention_, *wrong_;
    QPointer<CheckFilesDialog> checks_; // the last one: it may run on, or have results that nobody has seen
};

} // namespace moorfrost::app
