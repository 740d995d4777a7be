// SPDX-License-Identifier: GPL-3.0-or-later
// Batches: their names, their files, and in which sleeve each file is.
#pragma once

#include <map>
#include <string>
#include <vector>

#include "core/library/records.h"
#include "core/library/store/database.h"

namespace moorfrost::library {

class BatchTable {
public:
    explicit BatchTable(Database& db) : db_(db) {}

    int64_t add(const std::string& name);
    void describe(int64_t id, const std::string& name, const std::string& note);
    std::vector<Batch> all();
    /// The batch is gone, its files are forgotten unless they are on a shelf or in another batch. No file is
    /// touched.
    void forget(int64_t id);

    std::vector<BatchFile> files(int64_t batch);
    void addFiles(int64_t batch, const std::vector<FileId>& files);
    /// Those that are on no shelf and in no other batch are forgotten. No file is touched.
    void removeFiles(int64_t batch, const std::vector<FileId>& files);
    /// Where each of these is, by batch; those that are in none are left out.
    std::map<FileId, std::map<int64_t, BatchFile>> placesOf(const std::vector<FileId>& files);
    /// Files of the batch that came from no place yet came from the one of these that they lie in, now.
    void noteOrigins(int64_t batch, const std::vector<Path>& places);
    /// From the library, now.
    void send(int64_t batch, const std::vector<FileId>& files);
    std::vector<BatchOrigin> origins(int64_t batch); // the earliest first

    /// Where files were sorted to, by key; those that were put somewhere by hand stay there.
    void setSleeves(int64_t batch, const std::map<FileId, std::string>& sleeves);
    /// By hand; or, if not, to be sorted again.
    void putIntoSleeve(int64_t batch, const std::vector<FileId>& files, const std::string& key, bool byHand);
    std::map<std::string, SleeveNote> notes(int64_t batch);
    /// Only these; the others stay.
    void changeNotes(int64_t batch, const std::map<std::string, SleeveNote>& changed,
                     const std::vector<std::string>& gone);
    /// In the place of all that were there.
    void setNotes(int64_t batch, const std::map<std::string, SleeveNote>& notes);

private:
    Database& db_;
};

} // namespace moorfrost::library
