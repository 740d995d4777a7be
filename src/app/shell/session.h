// SPDX-License-Identifier: GPL-3.0-or-later
// What the interface works on, in memory: the files of the chosen batch and of the drafts, sleeves, drafts,
// shelves. The rest of the library is in its index and, row by row, in the store. It asks the library on the
// library's own thread and starts jobs; no function here reads a file or waits. All of it lives on the
// interface thread.
#pragma once

#include <QElapsedTimer>
#include <QObject>
#include <QTimer>

#include <map>
#include <memory>
#include <optional>
#include <set>
#include <unordered_map>

#include "app/shell/batch_records.h"
#include "app/shell/copies.h"
#include "app/shell/job_list.h"
#include "app/shell/kinds.h"
#include "app/shell/library_index.h"
#include "app/shell/sleeve_places.h"
#include "app/shell/standards.h"
#include "core/audit/readiness.h"
#include "core/library/drafts.h"
#include "core/library/store_thread.h"
#include "core/library/writing.h"
#include "core/matching/sleeves.h"
#include "core/naming/put_away.h"

namespace moorfrost::app {

using library::FileId;

struct SleeveView {
    std::string key;
    uint64_t version = 0; // another whenever its files, or what was read of them, are others
    std::vector<FileId> files;
    QString why;
    QString title, subtitle, name; // `name`: given by hand
    size_t told = 0;               // a hash of title and subtitle
    QString place;                 // its folder, where title and subtitle are another's, too
    /// Below the title.
    QString line() const { return place.isEmpty() ? subtitle : place + " \u00B7 " + subtitle; }
    std::string order;   // sorts titles
    bool byHand = false; // something of it was put together by hand
    FileId coverFile = 0;
    audit::Readiness readiness; // against the standard of the batch
    size_t unread = 0;          // files that cannot be read
    size_t unwritable = 0;      // that will not be written to, those included
    bool isStrays() const { return key.empty(); }
};

enum class SleeveOrder { Title, LeastReady, MostFiles };
enum class SplitBy { Folder, Disc, Album, Artist, Date, Format };

/// A place draft, taken apart.
struct PlaceWish {
    int64_t shelf = 0;
    std::string plan;
    bool copy = false;
    bool goesAlong = true;
    bool removeEmptied = true;
    std::vector<std::string> toValues() const;
    static PlaceWish fromValues(const std::vector<std::string>& values);
    bool operator==(const PlaceWish&) const = default;
};

class Session : public QObject {
    Q_OBJECT
public:
    explicit Session(const Path& libraryFile, QObject* parent = nullptr);
    ~Session() override;

    JobList& jobs() { return jobs_; }
    /// Everything that was put away.
    LibraryIndex& index() { return index_; }
    library::DraftSession& drafts() { return drafts_; }
    Standards& standards() { return standards_; }
    Kinds& kinds() { return kinds_; }
    const Copies& copies() const { return copies_; }
    /// Kinds and copies of the files of the batch; `however`: even if it takes long.
    void listenToBatch(bool however = false);
    bool isLoaded() const { return loaded_; }
    /// No job runs and nothing is asked of the library. What waits for a moment (timers) is told apart.
    bool isQuiet() const { return jobs_.isIdle() && store_->isIdle(); }
    /// Grows with all that is asked of the library.
    uint64_t asked() const { return store_->posted(); }

    // Files.
    /// Of those that are worked on; nullptr for others of the library.
    FilePtr file(FileId id) const;
    /// What everything on the shelves is held to.
    library::ShelfRules shelfRules() const;
    /// In words: the readiness of the sleeves on the shelves that these files stand in; the answer arrives on
    /// the interface thread. To be asked only when the library is searched.
    void readReadiness(std::vector<FileId> files, std::function<void(std::vector<audit::Readiness>)> then);
    /// What is left to sort: strays, but for those that are known not to be music.
    size_t straysToSort() const;
    /// Any file of the library: at once if it is worked on, else when it was read. nullptr if it is no more.
    void withFile(FileId id, std::function<void(FilePtr)> then);
    /// The shape of its sound (library::Store::peaks): as it was kept, else drawn now.
    void withPeaks(const FilePtr& file, std::function<void(const Result<std::vector<float>>&)> then);
    /// From now on these are worked on, so that they can get drafts.
    void takeUp(const std::vector<FileId>& ids, std::function<void()> then);
    std::vector<Path> pathsOf(const std::vector<FileId>& ids) const;
    tags::Fields shownFields(FileId id) const; // as they will be, or as on disk while Alt is held
    std::vector<std::string> shownValues(FileId id, const std::string& key) const;
    bool showsDisk() const { return showDisk_; }
    void setShowDisk(bool on);
    std::vector<std::string> customKeys() const;

    // The batch.
    const std::vector<library::Batch>& batches() const { return batches_; }
    int64_t batch() const { return batch_; }
    QString batchName() const;
    void chooseBatch(int64_t id);
    void newBatch(const QString& name);
    QString batchNote() const;
    void describeBatch(const QString& name, const QString& note);
    /// Where its files were brought in from; the answer arrives on the interface thread.
    void readOrigins(std::function<void(std::vector<library::BatchOrigin>)> then);
    void forgetBatch();
    std::vector<FileId> batchFiles() const;
    /// What was read of them. Costs little where little has changed.
    Records batchRecords() const;
    const std::vector<SleeveView>& sleeves() const { return sleeves_; }
    /// In the order that was chosen. Drafts do not move them: rows must stay under the hands of the one who
    /// edits, until the batch changes or an order is chosen again.
    SleeveOrder sleeveOrder() const;
    void setSleeveOrder(SleeveOrder order);
    /// What is left to do in Describe: files that lack what fields can mend, once for each rule.
    size_t gaps() const;
    /// `formats`: only sound that is named like these; none: all.
    void bringIn(const std::vector<Path>& paths, bool subfolders,
                 const std::set<audio::Format>& formats = {});
    void removeFromBatch(const std::vector<FileId>& files);
    void sendToBench(const std::vector<FileId>& files);
    /// Anew, drafts included; what was put together by hand stays.
    void sortIntoSleeves();
    const SleeveView* sleeve(const std::string& key) const;
    // By hand; these stay until letSort().
    void putIntoSleeve(const std::vector<FileId>& files, const std::string& key); // "": strays
    void newSleeve(const std::vector<FileId>& files, const QString& name);
    void mergeSleeves(const std::vector<std::string>& keys);
    /// The largest part stays what it is, the others become sleeves of their own.
    void splitSleeve(const std::string& key, SplitBy by);
    /// What it would be split into, by value.
    std::map<std::string, std::vector<FileId>> partsOf(const std::string& key, SplitBy by) const;
    void nameSleeve(const std::string& key, const QString& name); // "": as its files say
    /// The last of these is as it was before; one after the other.
    void undoByHand();
    bool canUndoByHand() const { return !handSteps_.empty(); }
    /// These are sorted by what is known of them again.
    void letSort(const std::vector<FileId>& files);
    /// What goes along with the files of the batch, by folder; read from the disk, alongChanged() tells when.
    using Along = std::map<Path, std::vector<files::OtherFile>>;
    std::shared_ptr<const Along> along() const { return along_; } // another when it has changed

    // Shelves and small things that the library remembers.
    const std::vector<library::Shelf>& shelves() const { return shelves_; }
    void addShelf(const QString& name, const Path& path);
    void renameShelf(int64_t id, const QString& name);
    void removeShelf(int64_t id);
    /// All sound in the folders of these shelves that the library does not know as it is.
    void readShelves(const std::vector<library::Shelf>& which);
    QString setting(const std::string& key) const;
    void setSetting(const std::string& key, const QString& value);
    QStringList recentFolders() const;

    // Putting away.
    std::vector<naming::PutAwayFile> putAwayFiles(const std::vector<FileId>& ids) const;
    std::optional<naming::PutAwayOptions> putAwayOptions(const PlaceWish& wish) const;
    /// A path as a person would tell it: on a shelf by the name of the shelf, else by its last folders.
    QString placeText(const Path& path) const;
    /// Where the drafted files will be; worked out in the background, placementsChanged() tells when.
    const std::vector<naming::Placement>& placements() const { return placements_; }
    const naming::Placement* placementOf(FileId id) const;
    size_t movesDrafted() const;

    // Writing.
    void write(files::HardLinks links = files::HardLinks::Ask, tags::Damage damage = tags::Damage::Refuse);
    void takeBack(int64_t set, const std::optional<std::set<size_t>>& steps);
    const std::optional<files::SetReport>& lastReport() const { return lastReport_; }
    int64_t lastSet() const { return lastSet_; }
    void clearReport();
    /// Reads files that something else has changed. Their drafts stay.
    void readAgain(const std::vector<FileId>& files);
    const std::vector<library::SetSummary>& sets() const { return sets_; }
    const library::HistoryUse& history() const { return history_; }
    void refreshJournal();
    Path libraryFile() const;
    /// Looks through the file of the library in the background; once a day makes the copy that is put back if
    /// it is ever damaged. A moment after the start, and when the library fails.
    void checkLibrary();
    /// What was found and put right after a crash; empty if nothing was.
    const library::RecoveryReport& recovered() const { return recovered_; }
    /// Reads the steps of a set; the answer arrives on the interface thread.
    void readSteps(int64_t set, std::function<void(std::vector<library::SetStep>)> then);
    /// Likewise what was written to a file.
    void readHistory(FileId file, std::function<void(std::vector<library::Event>)> then);

signals:
    void loaded();
    void batchesChanged();
    void batchChanged(); // its files or sleeves
    void alongChanged();
    void draftsChanged();
    void diskShown(bool on);
    void shelvesChanged();
    void journalChanged();
    void placementsChanged();
    void written();           // a write or a take-back has ended
    void interruptionFound(); // recovered() has something to tell
    void libraryDamaged(const QString& sentence);
    void said(const QString& sentence, bool trouble);

private:
    struct Snapshot;
    void reload(std::function<void()> then = {});
    void take(Snapshot snapshot);
    void readAlong();
    void formSleeves();
    /// Nothing waits to be sorted.
    bool isSorted() const { return !sorting_ && !sortAgain_ && unsorted_.empty(); }
    void takeSleeves(const matching::SleeveChanges& changes);
    void arrangeSleeves();
    void arrangeSleeve(SleeveView& view);
    void addToBatch(std::vector<library::FileRecord>&& files);
    void pinSleeve(const std::string& key);
    void beginByHand();
    /// Of a new sleeve.
    std::string freshKey(const QString& name, const QString& why);
    void moveByHand(const std::vector<FileId>& files, const std::string& key);
    void setPlace(const std::vector<FileId>& files, const std::string& key, bool byHand);
    void rememberByHand(const std::vector<FileId>& files, const std::string& key, bool byHand);
    void describeTouchedSleeves();
    void describeAllSleeves();
    void orderSleeves();
    void takePlacements(std::vector<naming::Placement> placements);
    void describeSleeve(SleeveView& view) const;
    QString commonestFolder(const std::vector<FileId>& files) const;
    void tellTwinsApart();
    void planDraftedMoves();
    void placed();
    void tell(const library::RecoveryReport& report);
    void tellTrouble(const QString& title, const files::SetReport& report);
    void later(std::function<void()> onInterface);

    std::unique_ptr<library::StoreThread> store_;
    JobList jobs_;
    LibraryIndex index_;
    library::DraftSession drafts_;
    Standards standards_{*this};
    Kinds kinds_;
    Copies copies_;
    bool loaded_ = false, showDisk_ = false;
    std::unordered_map<FileId, FilePtr> files_;
    mutable Records records_ = std::make_shared<BatchRecords>();
    mutable std::set<int64_t> staleRecords_; // pieces that are to be made anew
    mutable bool allRecordsStale_ = false;
    uint64_t versions_ = 0; // of sleeves
    std::vector<library::Batch> batches_;
    int64_t batch_ = 0;
    SleevePlaces places_;                              // of the files of the batch
    std::map<std::string, library::SleeveNote> notes_; // of sleeves
    struct HandStep {
        std::map<FileId, std::pair<std::string, bool>> before; // sleeve, by hand
        std::map<std::string, library::SleeveNote> notes;
    };
    std::vector<HandStep> handSteps_;                 // of the batch in sight
    std::shared_ptr<matching::SleeveForming> former_; // a job's while it sorts
    std::set<FileId> unsorted_;                       // what it was not given yet as it is
    std::unordered_map<FileId, std::pair<FilePtr, matching::PlayKey>>
        playKeys_;            // of files as they are, undrafted
    int64_t showEvery_ = 250; // milliseconds
    QElapsedTimer shown_;     // since the batch was last shown
    bool sorting_ = false, sortAgain_ = false;
    std::vector<SleeveView> sleeves_;
    std::vector<library::Shelf> shelves_;
    std::map<std::string, std::string> settings_;
    std::vector<library::SetSummary> sets_;
    library::HistoryUse history_;
    library::RecoveryReport recovered_;
    std::vector<naming::Placement> placements_;
    std::unordered_map<FileId, size_t> placementOf_;
    std::vector<Path> emptied_;
    std::optional<files::SetReport> lastReport_;
    int64_t lastSet_ = 0;
    std::shared_ptr<const Along> along_ = std::make_shared<Along>();
    int alongRun_ = 0;
    std::set<FileId> touched_; // by drafts, since the sleeves were last described
    QTimer sleeveTimer_{this}, arrangeTimer_{this}, placeTimer_{this}, checkTimer_{this};
    bool checking_ = false, damageTold_ = false, readingShelves_ = false;
    int placeRun_ = 0;
    uint64_t draftRun_ = 0; // counts changes of drafts: a snapshot from before the last one is not taken
    bool placing_ = false;  // the places are being worked out
    bool writeWhenPlaced_ = false;
    files::HardLinks links_ = files::HardLinks::Ask; // of that write
    tags::Damage damage_ = tags::Damage::Refuse;     // of that write
};

} // namespace moorfrost::app
