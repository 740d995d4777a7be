// SPDX-License-Identifier: GPL-3.0-or-later
// Bench / Describe: the sheet and the drawer.
#pragma once

#include <QWidget>

#include <optional>

#include "app/control/batch_controller.h"
#include "app/control/chains.h"
#include "app/control/content_kinds.h"
#include "app/control/drafts_controller.h"
#include "app/control/files_controller.h"
#include "app/control/job_list.h"
#include "app/control/library_index.h"
#include "app/control/library_settings.h"
#include "app/control/messages.h"
#include "app/control/pictures_controller.h"
#include "app/control/places_controller.h"
#include "app/control/sleeve_views.h"
#include "app/control/undo_history.h"
#include "app/widgets/sheet.h"
#include "core/edits/wording.h"

class QLabel;
class QMenu;
class QSplitter;
class QStackedWidget;

namespace moorfrost::app {

class Drawer;

class DescribePage : public QWidget {
    Q_OBJECT
public:
    /// What it uses.
    struct Uses {
        Messages& messages;
        JobList& jobs;
        LibrarySettings& settings;
        FilesController& files;
        DraftsController& drafts;
        LibraryIndex& index;
        BatchController& batch;
        ContentKinds& kinds;
        CustomFields& customFields;
        SleeveViews& sleeves;
        UndoHistory& undo;
        PicturesController& pictures;
        Chains& chains;
    };

    DescribePage(const Uses& use, QWidget* parent = nullptr);
    void setFiles(std::vector<FileId> files);
    SheetView* sheet() { return view_; }
    Drawer* drawer() { return drawer_; }
    void readFromNames();
    void mendText();
    /// Opens the steps, to be tried with the chosen files.
    void change(edits::Chain chain);
    /// What the current file says, for the other chosen ones.
    void copyToOthers();
    void chooseColumns();

signals:
    void playRequested(moorfrost::app::FileId id);

protected:
    void resizeEvent(QResizeEvent* event) override;

private:
    void changeCase(edits::Casing casing);
    void numberTracks();
    void fillSteps(QMenu* menu);
    void openSteps(const std::vector<FileId>& files, edits::Chain chain);
    void showMenu(const QPoint& at);
    void showDiskNote(bool on);
    std::vector<FileId> target() const; // what is selected, else all that is shown

    Uses use_;
    std::optional<std::vector<FileId>> next_; // are shown when an open editor is closed
    SheetModel* model_;
    SheetView* view_;
    Drawer* drawer_;
    QLabel* diskNote_;
    QStackedWidget* stack_;
    QSplitter* splitter_;
};

} // namespace moorfrost::app
