// SPDX-License-Identifier: GPL-3.0-or-later
// The library on disk: one SQLite file. All SQL of the program is in this folder. A Store is one connection,
// for one thread; several may be open on the same file. Functions throw DatabaseError only when the database
// itself fails.
#pragma once

#include <functional>
#include <map>

#include "core/library/records.h"
#include "core/library/store/database.h"

namespace moorfrost::library {

class Store {
public:
    /// Opens or makes the library. A library from an older version is copied aside first, then migrated; one
    /// from a newer version is refused.
    static Result<std::unique_ptr<Store>> open(const Path& file);
    /// "moorfrost/library.db" in the XDG data folder.
    static Path defaultPath();

    // Files. Saving a path that is known replaces what is known of it and keeps its number.
    FileId saveFile(const files::ScannedFile& file, int64_t shelf = -1); // shelf -1: as it is
    /// `batch`: 0 for none.
    std::vector<FileId> saveFiles(const std::vector<files::ScannedFile>& files, int64_t batch,
                                  int64_t shelf = -1);
    std::vector<FileRecord> allFiles();
    /// With rising numbers, until `each` returns false; never more than one in memory. `putAway`: only what
    /// is on a shelf.
    void eachFile(bool putAway, const std::function<bool(FileRecord&&)>& each);
    /// What is on a shelf, likewise.
    void eachPacked(const std::function<bool(const PackedRecord&)>& each);
    std::optional<FileRecord> file(FileId id);
    /// Those that are known, in the order asked for.
    std::vector<FileRecord> files(const std::vector<FileId>& ids);
    FileId fileByPath(const Path& path);
    /// 0 for those that are not known.
    std::vector<FileId> filesByPath(const std::vector<Path>& paths);
    /// The row of one file follows it to another place.
    void moveFile(FileId id, const Path& to);
    /// Several at once, which may change places among themselves.
    void moveFiles(const std::vector<std::pair<FileId, Path>>& moves);
    /// What is known of a file after it was changed as `state` and `fields` say.
    void updateFile(FileId id, const files::FileState& state, const std::optional<tags::Fields>& fields,
                    int64_t shelf);
    void forgetFile(FileId id);
    /// `shelf`: 0 for none.
    void setShelf(const std::vector<FileId>& files, int64_t shelf);

    // What has changed, for those who keep a picture of the library (search/library_columns).
    /// Another after every change of any file, whoever made it; the same as long as there was none.
    std::string changes();
    /// The marks of the generations that are known, the latest first. Every change belongs to the latest.
    std::vector<std::string> generations();
    /// To be called before a picture is made: what changes from now on is told by changedSince(). Where
    /// nothing can be written (a full disk) it is the latest that is known, which tells too much but nothing
    /// wrong.
    std::string beginGeneration();
    /// Files of the shelves that were changed, or are no more, since that generation began; nullopt if that
    /// is not known any more.
    std::optional<std::vector<FileId>> changedSince(const std::string& generation);
    /// All others, but the latest, are of no use any more: they and what changed before them are forgotten.
    void keepGenerations(const std::vector<std::string>& needed);

    // What was worked out from the sound of a file, kept for the state it was in.
    /// Heights, 0 to 1; empty if there are none.
    std::vector<float> peaks(FileId file, const files::FileState& state);
    void savePeaks(FileId file, const files::FileState& state, const std::vector<float>& heights);

    // What is kept of files in the library and not in the files: their kind, what was proposed for it.
    using KeptValues = std::map<FileId, std::vector<std::string>>;
    /// Of those that have such values.
    KeptValues kept(const std::string& field, const std::vector<FileId>& files);
    /// None: they have no such values any more. Files that are not known are left out.
    void keep(const std::string& field, const KeptValues& values);

    // Batches.
    int64_t addBatch(const std::string& name);
    void describeBatch(int64_t id, const std::string& name, const std::string& note);
    /// Files of the batch that came from no place yet came from the one of these that they lie in, now.
    void noteOrigins(int64_t batch, const std::vector<Path>& places);
    /// From the library, now.
    void sendToBatch(int64_t batch, const std::vector<FileId>& files);
    std::vector<BatchOrigin> batchOrigins(int64_t batch); // the earliest first
    /// The batch is gone, its files are forgotten unless they are on a shelf or in another batch. No file is
    /// touched.
    void forgetBatch(int64_t id);
    std::vector<Batch> batches();
    std::vector<BatchFile> batchFiles(int64_t batch);
    void addToBatch(int64_t batch, const std::vector<FileId>& files);
    void removeFromBatch(int64_t batch, const std::vector<FileId>& files);
    int64_t batchOf(FileId file);
    /// Where files were sorted to, by key; those that were put somewhere by hand stay there.
    void setSleeves(int64_t batch, const std::map<FileId, std::string>& sleeves);
    /// By hand; or, if not, to be sorted again.
    void putIntoSleeve(int64_t batch, const std::vector<FileId>& files, const std::string& key, bool byHand);
    std::map<std::string, SleeveNote> sleeveNotes(int64_t batch);
    /// Only these; the others stay.
    void changeSleeveNotes(int64_t batch, const std::map<std::string, SleeveNote>& changed,
                           const std::vector<std::string>& gone);
    /// In the place of all that were there.
    void setSleeveNotes(int64_t batch, const std::map<std::string, SleeveNote>& notes);

    // Shelves.
    int64_t addShelf(const std::string& name, const Path& path);
    void renameShelf(int64_t id, const std::string& name);
    void removeShelf(int64_t id);
    std::vector<Shelf> shelves();

    // Drafts.
    std::vector<std::tuple<FileId, std::string, Draft>> drafts();
    void saveDrafts(const std::vector<DraftChange>& changes);
    /// Removes the drafts that were written: those that still propose these values, and the place if `moved`.
    void removeWritten(FileId file, const tags::Fields& written, bool moved);

    // Small things that are remembered with the library: last plan, recent folders.
    std::string setting(const std::string& key);
    void setSetting(const std::string& key, const std::string& value);

    // The journal.
    int64_t beginSet(const files::FileSet& set, int64_t batch);
    void saveSteps(int64_t set, const std::vector<std::pair<size_t, const files::StepRecord*>>& steps);
    void saveRemovedFolders(int64_t set, const std::vector<Path>& folders);
    void endSet(int64_t set);
    std::vector<SetSummary> sets();
    /// Sets that were begun and never ended: number and title.
    std::vector<std::pair<int64_t, std::string>> openSets();
    /// Without the bytes that are kept, unless asked for.
    std::vector<SetStep> steps(int64_t set, bool withKept = false);
    /// What was written to a file, the newest first.
    std::vector<Event> historyOf(FileId file, size_t most);
    files::StepState stateOfStep(int64_t set, size_t number);
    /// A later set, not taken back, that this step has to wait for.
    std::optional<SetSummary> laterSetOn(int64_t set, const files::StepRecord& record);
    /// A step that is neither done nor undone, with all that is needed to look at it again.
    void keepAside(const files::NumberedStep& step);
    std::vector<files::NumberedStep> asideSteps();
    /// Steps that are set aside end where their files are about to be written again.
    void supersede(const files::FileSet& set);
    /// What is kept for taking back, against the limit in the settings ("history-limit", bytes).
    HistoryUse historyUse();
    /// Drops what is over the limit, oldest first. Those sets cannot be taken back any more.
    void dropOldHistory();

    // Fixity.
    void saveFixity(const Fixity& fixity);
    std::optional<Fixity> fixity(const Path& path);
    std::vector<Fixity> allFixity();
    /// It follows files that are moved, which may change places among themselves.
    void moveFixity(const std::vector<std::pair<Path, Path>>& moves);
    std::vector<Path> removedFolders(int64_t set);
    int64_t batchOfSet(int64_t set);

    Database& database() { return db_; }
    const Path& file() const { return file_; }

private:
    explicit Store(const Path& file) : db_(file), file_(file) {}
    void migrate(const Path& file, bool existed);
    FileId writeRow(const files::ScannedFile& file, int64_t shelf);
    std::vector<Fixity> readFixity(const Path* only);

    Database db_;
    Path file_;
};

} // namespace moorfrost::library
