// SPDX-License-Identifier: GPL-3.0-or-later
// What is known of files: one row each, found by its path. Saving a path that is known replaces what is known
// of it and keeps its number.
#pragma once

#include <functional>

#include "core/library/records.h"
#include "core/library/store/database.h"

namespace moorfrost::library {

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
    std::optional<FileRecord> find(FileId id);
    /// Those that are known, in the order asked for.
    std::vector<FileRecord> findAll(const std::vector<FileId>& ids);
    /// 0 if it is not known.
    FileId idOf(const Path& path);
    /// 0 for those that are not known.
    std::vector<FileId> idsOf(const std::vector<Path>& paths);
    /// The row of one file follows it to another place.
    void move(FileId id, const Path& to);
    /// Several at once, which may change places among themselves.
    void moveAll(const std::vector<std::pair<FileId, Path>>& moves);
    /// What is known of a file after it was changed as `state` and `fields` say.
    void update(FileId id, const files::FileState& state, const std::optional<tags::Fields>& fields,
                int64_t shelf);
    void forget(FileId id);
    /// `shelf`: 0 for none.
    void setShelf(const std::vector<FileId>& files, int64_t shelf);

private:
    FileId writeRow(const files::ScannedFile& file, int64_t shelf);
    Database& db_;
};

} // namespace moorfrost::library
