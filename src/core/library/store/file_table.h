// SPDX-License-Identifier: GPL-3.0-or-later
// What is known of files: one row each, found by its path. Saving a path that is known replaces what is known
// of it and keeps its number. A file that is saved, moved or updated is there; others may be marked absent.
#pragma once

#include <functional>

#include "core/library/records.h"
#include "core/library/store/database.h"

namespace moorfrost::library {

struct ShelfFile {
    FileId id = 0;
    Path path;
    files::FileState state;
    bool absent = false;
    bool displaced = false; // another file is known at its place
};

class FileTable {
public:
    explicit FileTable(Database& db) : db_(db) {}

    FileId save(const files::ScannedFile& file, int64_t shelf = -1); // shelf -1: as it is
    std::vector<FileId> saveAll(const std::vector<files::ScannedFile>& files, int64_t shelf = -1);
    std::vector<FileRecord> all();
    /// With rising numbers, until `each` returns false; never more than one in memory. `putAway`: only what
    /// is on a shelf.
    void each(bool putAway, const std::function<bool(FileRecord&&)>& each);
    /// What is on a shelf, with rising numbers, until `each` returns false; packed as it lies there.
    void eachPacked(const std::function<bool(const PackedRecord&)>& each);
    /// The same of these, in the order asked for; those that are not known are left out.
    void eachPackedOf(const std::vector<FileId>& ids, const std::function<bool(const PackedRecord&)>& each);
    /// A file as it was read last.
    struct Known {
        FileId id = 0;
        files::FileState state;
        int64_t shelf = 0;
        bool whole = false; // it could be read, with all details
    };
    std::optional<Known> knownAt(const Path& path);
    /// All files that stand on shelves, in no particular order.
    void eachKnown(const std::function<void(std::string_view path, const Known&)>& each);
    std::optional<FileRecord> find(FileId id);
    /// Those that are known, in the order asked for.
    std::vector<FileRecord> findAll(const std::vector<FileId>& ids);
    /// 0 if it is not known.
    FileId idOf(const Path& path);
    /// 0 for those that are not known.
    std::vector<FileId> idsOf(const std::vector<Path>& paths);
    /// The row of one file follows it to another place. What was believed to be there is let go (letGo).
    void move(FileId id, const Path& to);
    /// Several at once, which may change places among themselves.
    void moveAll(const std::vector<std::pair<FileId, Path>>& moves);
    /// What is known of a file after it was changed as `state` and `fields` say; these tell its pictures, too
    /// (tags/picture_changes).
    void update(FileId id, const files::FileState& state, const std::optional<tags::Fields>& fields,
                int64_t shelf);
    /// Whatever hangs on it. What is to be kept of it must have been seen to.
    void forget(FileId id);
    /// It is not there any more, or at another place than was known: a file of a shelf is marked absent and
    /// stays, and so does one of whose recording something is kept; of others nothing is known from now on.
    /// False if nothing stays.
    bool letGo(FileId id);
    /// Since when (seconds since 1970) these are not found; 0: they are there.
    void setAbsent(const std::vector<FileId>& files, int64_t since);
    size_t countOnShelf(int64_t shelf);
    /// What is on this shelf, whether it is there or not.
    std::vector<ShelfFile> onShelf(int64_t shelf);
    /// All that is kept of a file in its row, as texts, and the row made again of that. Nothing where it is
    /// not known.
    std::vector<std::string> row(FileId id);
    void putRow(FileId id, const std::vector<std::string>& row);
    /// `shelf`: 0 for none.
    void setShelf(const std::vector<FileId>& files, int64_t shelf);

private:
    FileId writeRow(const files::ScannedFile& file, int64_t shelf);
    void carryWorkedOut(FileId id, const files::FileState& state);
    /// A file on a shelf belongs to a recording.
    void cameToShelf(FileId id);
    Database& db_;
};

} // namespace moorfrost::library
