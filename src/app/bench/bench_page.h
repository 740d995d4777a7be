// SPDX-License-Identifier: GPL-3.0-or-later
// The bench: the line of steps on top, the sleeves on the left, the step's own work surface on the right.
#pragma once

#include <QAbstractButton>
#include <QStackedWidget>

#include "app/control/along_files.h"
#include "app/control/batch_controller.h"
#include "app/control/bring_in.h"
#include "app/control/chains.h"
#include "app/control/codes_controller.h"
#include "app/control/content_kinds.h"
#include "app/control/drafts_controller.h"
#include "app/control/duplicates.h"
#include "app/control/files_controller.h"
#include "app/control/folder_walk.h"
#include "app/control/identify_controller.h"
#include "app/control/job_list.h"
#include "app/control/journal_controller.h"
#include "app/control/library_access.h"
#include "app/control/library_index.h"
#include "app/control/library_settings.h"
#include "app/control/messages.h"
#include "app/control/pictures_controller.h"
#include "app/control/places_controller.h"
#include "app/control/recordings_controller.h"
#include "app/control/release_pictures.h"
#include "app/control/releases_controller.h"
#include "app/control/rip_controller.h"
#include "app/control/shelves_controller.h"
#include "app/control/sleeve_views.h"
#include "app/control/standards.h"
#include "app/control/stray_identifier.h"
#include "app/control/undo_history.h"
#include "app/control/value_books.h"

class QLabel;
class QPushButton;
class QSplitter;

namespace moorfrost::app {

class BringInPage;
class Choice;
class DescribePage;
class FolderPanel;
class IdentifyPage;
class PutAwayPage;
class ShortLabel;
class SleeveList;
class SleeveTools;

/// One step on the line: its name and how much is left to do there.
class StepButton : public QAbstractButton {
    Q_OBJECT
public:
    StepButton(const QString& name, bool last, QWidget* parent = nullptr);
    void setCount(const QString& text, bool toDo);
    QSize sizeHint() const override;

protected:
    void paintEvent(QPaintEvent*) override;

private:
    QString count_;
    bool toDo_ = false, last_;
};

class BenchPage : public QWidget {
    Q_OBJECT
public:
    /// What it uses.
    struct Uses {
        Messages& messages;
        JobList& jobs;
        LibraryAccess& library;
        LibrarySettings& settings;
        FilesController& files;
        DraftsController& drafts;
        LibraryIndex& index;
        Standards& standards;
        ShelvesController& shelves;
        JournalController& journal;
        BatchController& batch;
        ContentKinds& kinds;
        CustomFields& customFields;
        Chains& chains;
        ValueBooks& values;
        PlacesController& places;
        SleeveViews& sleeves;
        AlongFiles& along;
        Duplicates& duplicates;
        BringIn& bringIn;
        RecordingsController& recordings;
        ReleasesController& releases;
        UndoHistory& undo;
        PicturesController& pictures;
        ReferencesController& references;
        IdentifyController& identify;
        StrayIdentifier& strays;
        ReleasePictures& releasePictures;
        FolderWalk& folders;
        DiscsController& discs;
        DiscPictures& discPictures;
        RipController& rips;
        DriveOffsets& driveOffsets;
        WorseFiles& worse;
        CodesController& codes; // of the bench
    };

    enum Step { BringIn, Identify, Describe, PutAway };

    BenchPage(const Uses& use, QWidget* parent = nullptr);
    void showStep(Step step);
    Step step() const;
    BringInPage* bringIn() { return bringIn_; }
    IdentifyPage* identify() { return identify_; }
    DescribePage* describe() { return describe_; }
    PutAwayPage* putAway() { return putAway_; }
    SleeveList* sleeves() { return sleeves_; }
    SleeveTools* sleeveTools() { return tools_; }
    FolderPanel* folders() { return folders_; }
    /// Asks for a place whose folders are looked through, one after the other.
    void lookThrough();
    /// They are looked through now, in the place of the sleeves.
    bool showsFolders() const;
    /// Of the step that is shown, in its order: what is played one after the other.
    std::vector<FileId> filesInSight() const;
    /// Several that are selected there, else all in sight.
    std::vector<FileId> chosenFiles() const;
    void newBatch();
    void describeBatch();
    void forgetBatch();

signals:
    void playRequested(moorfrost::app::FileId id);
    void standardsWanted();
    /// These are to be settled as versions of recordings.
    void versionsWanted(const std::vector<moorfrost::app::FileId>& files);

private:
    void refreshCounts();
    void refreshBatches();
    void passFiles();
    /// The sleeves, the folders that are looked through, or nothing.
    void showSide();
    void describeFiles();
    void fillStandards();
    void fillOrders();
    static QString orderName(library::SleeveOrder order);

    Uses use_;
    std::vector<StepButton*> steps_;
    Choice* batch_;
    SleeveList* sleeves_;
    SleeveTools* tools_;
    ShortLabel* sleeveCount_;
    QPushButton *standard_, *order_;
    QWidget* side_;
    FolderPanel* folders_;
    QStackedWidget* stack_;
    BringInPage* bringIn_;
    IdentifyPage* identify_;
    DescribePage* describe_;
    PutAwayPage* putAway_;
};

} // namespace moorfrost::app
