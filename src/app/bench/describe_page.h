// SPDX-License-Identifier: GPL-3.0-or-later
// Bench / Describe: the sheet and the drawer.
#pragma once

#include <QPointer>
#include <QWidget>

#include <optional>

#include "app/bench/sheet_rows.h"
#include "app/control/batch_controller.h"
#include "app/control/chains.h"
#include "app/control/codes_controller.h"
#include "app/control/content_kinds.h"
#include "app/control/drafts_controller.h"
#include "app/control/files_controller.h"
#include "app/control/identify_controller.h"
#include "app/control/job_list.h"
#include "app/control/library_index.h"
#include "app/control/library_settings.h"
#include "app/control/messages.h"
#include "app/control/pictures_controller.h"
#include "app/control/places_controller.h"
#include "app/control/sleeve_views.h"
#include "app/control/undo_history.h"
#include "app/control/value_books.h"
#include "app/widgets/sheet.h"
#include "core/edits/wording.h"

class QLabel;
class QMenu;
class QSplitter;
class QStackedWidget;

namespace moorfrost::app {

class Drawer;
class EmptyHint;
class FilterBar;
class SheetColumns;
class SortHeader;
class SpellingHint;

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
        ValueBooks& values;
        IdentifyController& identify;
        CodesController& codes; // of the bench
    };

    DescribePage(const Uses& use, QWidget* parent = nullptr);
    void setFiles(std::vector<FileId> files);
    /// What is said where there are no files.
    void setNothing(const QString& title, const QString& text);
    SheetView* sheet() { return view_; }
    Drawer* drawer() { return drawer_; }
    void readFromNames();
    void mendText();
    /// The ISRCs that the releases of the chosen files lack.
    void fillCodes();
    /// This field of these files is chosen, and in sight; its column is shown where it was not.
    void chooseCells(const std::string& key, const std::vector<FileId>& files);
    /// Opens the steps, to be tried with the chosen files.
    void change(edits::Chain chain);
    /// What the current file says, for the other chosen ones.
    void copyToOthers();
    void chooseColumns();
    /// The hands go to the line that narrows the sheet.
    void narrow();
    FilterBar* filterBar() { return filter_; }
    SpellingHint* spelling() { return spelling_; }
    SheetColumns* columns() { return columns_; }
    const std::vector<SheetSort>& sorting() const { return sorting_; }

signals:
    void playRequested(moorfrost::app::FileId id);
    /// What others have to offer for the chosen files goes in.
    void menuOpens(QMenu& menu);
    /// A place is to be looked through, folder by folder.
    void foldersWanted();

protected:
    void resizeEvent(QResizeEvent* event) override;

private:
    /// Who the references tell for the sleeves that were looked up.
    std::vector<std::string> artistsOfCandidates() const;
    void changeCase(edits::Casing casing);
    void numberTracks();
    void fillSteps(QMenu* menu);
    void openSteps(const std::vector<FileId>& files, edits::Chain chain);
    void showMenu(const QPoint& at);
    void sortBy(int section, bool within);
    void showSorting();
    /// What the filter lets through of what was given, in its order.
    void arrange();
    void showDiskNote(bool on);
    int column() const;
    std::vector<FileId> target() const; // what is selected, else all that is shown

    Uses use_;
    std::optional<std::vector<FileId>> next_; // are shown when an open editor is closed
    std::vector<FileId> given_;               // those that may be shown
    std::vector<SheetSort> sorting_;
    std::string lastColumn_;    // that was current
    QPointer<QWidget> instead_; // has the focus that the sheet had before there was nothing to show
    SheetModel* model_;
    SheetView* view_;
    Drawer* drawer_;
    SortHeader* header_;
    SheetColumns* columns_;
    FilterBar* filter_;
    SpellingHint* spelling_;
    QLabel* diskNote_;
    QStackedWidget* stack_;
    EmptyHint* nothing_;
    QSplitter* splitter_;
};

} // namespace moorfrost::app
