// SPDX-License-Identifier: GPL-3.0-or-later
// Recordings: one performance each, fixed as sound. Files point to them, come and go; what a person gave (a
// kind so far) hangs on the recording. Every file on a shelf belongs to one, and so does every file of which
// something is kept. Nothing here is journalled: core/library/recordings does that.
#pragma once

#include <map>
#include <string>
#include <vector>

#include "core/library/records.h"
#include "core/library/store/database.h"

namespace moorfrost::library {

using RecordingId = int64_t;

/// The recording of a file; 0 for none.
struct RecordingPlace {
    RecordingId recording = 0;
    bool byHand = false; // a person put it there: it is not joined with others by itself
    bool operator==(const RecordingPlace&) const = default;
};

class RecordingTable {
public:
    explicit RecordingTable(Database& db) : db_(db) {}

    RecordingPlace placeOf(FileId file);
    /// A new one with this file, unless it belongs to one. The file must be known.
    RecordingId ensure(FileId file);
    /// A new one without files.
    RecordingId add();
    /// 0: it belongs to none any more. A recording that is no more comes back under its number.
    void put(FileId file, const RecordingPlace& place);
    std::vector<FileId> filesOf(RecordingId recording);
    /// The files that are given, and all others of their recordings.
    std::vector<FileId> withOthers(const std::vector<FileId>& files);
    /// How many files each of these has beside it, of those that have any.
    std::map<FileId, size_t> othersOf(const std::vector<FileId>& files);

    /// The file that a person chose as the best; 0 if nobody did.
    FileId chosenOf(RecordingId recording);
    void choose(RecordingId recording, FileId file);

    /// Recordings of which this is one of the values.
    std::vector<RecordingId> withValue(const std::string& field, const std::string& value);
    /// Of all recordings that have this value, in the order of their numbers.
    std::vector<std::pair<RecordingId, std::vector<std::string>>> allWith(const std::string& field);
    std::vector<std::string> values(RecordingId recording, const std::string& field);
    /// By field.
    std::map<std::string, std::vector<std::string>> allValues(RecordingId recording);
    void setValues(RecordingId recording, const std::string& field, const std::vector<std::string>& values);
    /// What is kept of the recordings of these files, of those that have such values.
    KeptValues valuesOfFiles(const std::string& field, const std::vector<FileId>& files);

    /// Whether something hangs on the file's recording that would be lost with the last of its files.
    bool isKept(FileId file);
    /// Takes what was kept of one file's recording over to another file that is the same sound: from now on
    /// both are of one recording. What both have stays as the first has it.
    void join(FileId from, FileId to);

    /// Files on shelves that have not been compared with the others by their sound yet.
    std::vector<FileId> unlooked();
    void setLooked(const std::vector<FileId>& files);

    /// After a library was put together from what could be read: every file on a shelf gets a recording, and
    /// recordings that others refer to are there.
    void complete();

private:
    Database& db_;
};

/// A condition in SQL: something is kept of the recording that the expression gives.
std::string keptCondition(const std::string& recording);
/// The same for a row of "file": it is known even where it is in no batch and on no shelf.
std::string fileIsKept();

} // namespace moorfrost::library
