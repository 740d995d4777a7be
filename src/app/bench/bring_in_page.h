// SPDX-License-Identifier: GPL-3.0-or-later
// Bench / Bring in: adding folders and files, what was found, and what is wrong with it.
#pragma once

#include <QPointer>
#include <QPushButton>
#include <QStackedWidget>
#include <QTreeView>

#include "app/bench/folder_model.h"
#include "app/control/along_files.h"
#include "app/control/batch_controller.h"
#include "app/control/bring_in.h"
#include "app/control/content_kinds.h"
#include "app/control/drafts_controller.h"
#include "app/control/duplicates.h"
#include "app/control/files_controller.h"
#include "app/control/job_list.h"
#include "app/control/journal_controller.h"
#include "app/control/library_access.h"
#include "app/control/library_index.h"
#include "app/control/messages.h"
#include "app/control/recordings_controller.h"
#include "app/control/releases_controller.h"
#include "app/control/rip_controller.h"
#include "app/control/shelves_controller.h"
#include "app/control/sleeve_views.h"
#include "app/control/standards.h"

class QCheckBox;
class QLabel;
class QMenu;

namespace moorfrost::app {

class EmptyHint;
class FileDetails;
class ShortLabel;

class CheckFilesDialog;
class DiscDialog;

class BringInPage : public QWidget {
    Q_OBJECT
public:
    /// What it uses.
    struct Uses {
        Messages& messages;
        JobList& jobs;
        LibraryAccess& library;
        FilesController& files;
        DraftsController& drafts;
        LibraryIndex& index;
        Standards& standards;
        ShelvesController& shelves;
        JournalController& journal;
        BatchController& batch;
        ContentKinds& kinds;
        SleeveViews& sleeves;
        AlongFiles& along;
        Duplicates& duplicates;
        BringIn& bringIn;
        RecordingsController& recordings;
        ReleasesController& releases;
        DiscsController& discs;
        DiscPictures& discPictures;
        RipController& rips;
        DriveOffsets& driveOffsets;
        WorseFiles& worse;
        LibrarySettings& settings;
    };

    BringInPage(const Uses& use, QWidget* parent = nullptr);
    void addFolder();
    void addFiles();
    void gather();
    void readDiscs();
    DiscDialog* discs() { return discs_; }
    bool withSubfolders() const;
    void setSleeves(const std::vector<const SleeveView*>& sleeves);
    void checkFiles();
    void confirmKinds();
    std::vector<FileId> chosen() const; // files, also those of chosen folders
    FileDetails* details() { return details_; }
    QTreeView* tree() { return tree_; }
    FolderModel* model() { return model_; }

    /// In the order in which they stand there.
    std::vector<FileId> filesInSight() const;

signals:
    void samplesWanted();
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
    Uses use_;
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
    DiscDialog* discs_ = nullptr;       // made when it is wanted first
    QPointer<CheckFilesDialog> checks_; // the last one: it may run on, or have results that nobody has seen
};

} // namespace moorfrost::app
