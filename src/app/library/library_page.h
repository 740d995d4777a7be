// SPDX-License-Identifier: GPL-3.0-or-later
// The library: everything that was put away. Search as you type, questions, narrowing by facets, a table with
// chosen columns or a grid of sleeves, details.
#pragma once

#include <QLineEdit>
#include <QPointer>
#include <QPushButton>
#include <QWidget>

#include "app/control/batch_controller.h"
#include "app/control/collections_controller.h"
#include "app/control/content_kinds.h"
#include "app/control/drafts_controller.h"
#include "app/control/files_controller.h"
#include "app/control/job_list.h"
#include "app/control/journal_controller.h"
#include "app/control/library_access.h"
#include "app/control/library_index.h"
#include "app/control/library_settings.h"
#include "app/control/messages.h"
#include "app/control/peaks.h"
#include "app/control/people_controller.h"
#include "app/control/places_controller.h"
#include "app/control/recordings_controller.h"
#include "app/control/releases_controller.h"
#include "app/control/shelves_controller.h"
#include "app/control/sound_groups_controller.h"
#include "app/control/standards.h"
#include "app/library/library_answer.h"
#include "app/library/search_bar.h"
#include "app/widgets/sheet.h"

class QMenu;
class QSlider;
class QStackedWidget;
namespace moorfrost::app {

class Choice;
class CollectionMenus;
class CollectionTree;
class ListLine;
class ShownList;
class ShortLabel;
class EmptyHint;
class CheckFilesDialog;
class FileDetails;
class Player;
class SameSoundPage;
class SleeveGrid;
class SortHeader;
class TrackModel;
class TrackStrip;

class LibraryPage : public QWidget {
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
        RecordingsController& recordings;
        ReleasesController& releases;
        PeopleController& people;
        CollectionsController& collections;
        SoundPrints& sounds;
        SoundGroupsController& soundGroups;
        Peaks& peaks;
        Player& player;
    };

    explicit LibraryPage(const Uses& use, QWidget* parent = nullptr);
    SearchBar* searchBar() { return bar_; }
    QLineEdit* searchBox() { return bar_->box(); }
    SheetView* table() { return view_; }
    SleeveGrid* grid() { return grid_; }
    QPushButton* tracksButton() { return tracks_; }
    QPushButton* sleevesButton() { return sleeves_; }
    QPushButton* sameSoundButton() { return same_; }
    SameSoundPage* sameSound() { return sameSound_; }
    Choice* groupChoice() { return group_; }
    bool showsSleeves() const;
    FacetPanel* facets() { return facets_; }
    CollectionTree* collections() { return collections_; }
    CollectionMenus* collectionMenus() { return menus_; }
    ListLine* listLine() { return listLine_; }
    void showList(library::CollectionId list);
    library::CollectionId shownList() const;
    /// The chosen tracks, one place on in the list that is shown, or one back.
    void moveInList(int by);
    /// Versions below their lead are shown, or hidden again.
    void turnFamily(int row);
    bool foldsFamilies() const;
    /// Of these files, else of the whole library.
    void settleVersions(const std::vector<FileId>& files);
    void setFoldsFamilies(bool on);
    void removeFromList();
    /// Drafts of what is kept of the chosen files, by the rules in Settings.
    void mirrorToTags();
    /// Absent ones, in a folder that is asked for.
    void findAgain(const std::vector<FileId>& absent);
    void findAgain(const std::vector<FileId>& absent, const Path& folder);
    /// Of the list that is shown, else of what is chosen.
    void exportPlaylist();
    FileDetails* details() { return details_; }
    TrackStrip* strip() { return strip_; }
    QPushButton* saveButton() { return save_; }
    QString told() const;
    std::vector<FileId> chosenFiles() const;
    /// In the order in which they are shown: what is played one after the other.
    std::vector<FileId> filesInSight() const;
    /// What they are: the name of the list, what is searched for; "" for the whole library.
    QString sightName() const;
    /// Chooses it, if it is in sight; else the whole library is shown first.
    void showFile(FileId id);
    void sendToBench();
    void checkFiles();
    /// Whether the table shows the answer to what is typed.
    bool showsAnswer() const { return answered_; }
    /// And all its counts are there, too.
    bool isSearched() const { return searched_; }

signals:
    void playRequested(moorfrost::app::FileId id);
    void playFromRequested(moorfrost::app::FileId id, double seconds);
    void benchWanted();
    /// A one-sheet of these.
    void sheetWanted(const std::vector<moorfrost::app::FileId>& files);
    void deliveryWanted();
    void putAwayWanted();
    /// From outside. `into`: they are versions of this one's family; 0: they were dropped beside families.
    void pathsDropped(const std::vector<moorfrost::Path>& paths, moorfrost::app::FileId into);
    /// The two that are chosen, by ear.
    void compareWanted();

protected:
    void resizeEvent(QResizeEvent* event) override;
    bool eventFilter(QObject* object, QEvent* event) override;

private:
    void layOut();
    QWidget* gridPage();
    void showAs(bool sleeves);
    void showSameSound();
    void showMenu(const QPoint& at);
    void addRecordingMenu(QMenu& menu);
    void addJudgingMenu(QMenu& menu);
    void takeSearcher();
    void search();
    /// `searcher`: whose rows the answer holds.
    void take(const LibraryQuestion& question, std::shared_ptr<const library::Searcher> searcher,
              LibraryRows answer);
    void choose(const std::vector<int>& rows);
    void showDetails();
    void makeRoom();
    void sortBy(int section, bool within);
    void showSorting();
    std::vector<SavedSearch> savedSearches() const;
    QWidget* sidePanel();
    QWidget* tracksPanel();
    void connectCollections();
    void connectFamilies();
    /// With the versions that go along; nullopt: not at all.
    std::optional<std::vector<FileId>> alongWith(const std::vector<FileId>& files);
    std::vector<size_t> chosenPlaces() const;
    void showListLine();

    Uses use_;
    SearchBar* bar_;
    ShortLabel* count_;
    QPushButton *save_, *check_, *send_, *tracks_, *sleeves_, *same_;
    SameSoundPage* sameSound_;
    QStackedWidget* views_; // the search, and what sounds the same
    SleeveGrid* grid_;
    Choice* group_;
    QSlider* size_;
    TrackModel* model_;
    SheetView* view_;
    SortHeader* header_;
    QStackedWidget* stack_;
    EmptyHint* empty_;
    FacetPanel* facets_;
    CollectionTree* collections_;
    CollectionMenus* menus_;
    ShownList* list_;
    ListLine* listLine_;
    ListTotals totals_; // of the list
    FileDetails* details_;
    TrackStrip* strip_; // in the details
    std::shared_ptr<const library::Searcher> searcher_;
    std::vector<library::SortBy> sorting_, listSorting_; // of a list: none, as it is arranged
    QPointer<CheckFilesDialog> checks_; // the last one: it may run on, or have results that nobody has seen
    LibraryQuestion shown_;             // whose answer is on the screen
    std::stop_source stop_;             // of the search that is under way
    int run_ = 0;                       // counts searches: only the answer to the last one is shown
    FileId wanted_ = 0;                 // to be shown when the answer is there
    int detailsRun_ = 0;                // the same for details
    FamilyFold fold_;
    FamilyFold::Shown folded_; // the rows without what stands below leads
    bool answered_ = false, searched_ = false;
};

} // namespace moorfrost::app
