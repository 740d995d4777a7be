// SPDX-License-Identifier: GPL-3.0-or-later
// Writing and taking back with the library kept in step: the journal goes into the store, and what is known
// of the files follows what happened to them.
#pragma once

#include <new>
#include <optional>
#include <set>
#include <utility>

#include "core/library/store/store.h"

namespace moorfrost::library {

struct RecoveredFile {
    Path path;
    std::string why; // set aside: a sentence
};

/// What was found after a crash and put right.
struct RecoveryReport {
    std::vector<std::string> sets; // titles of the sets that were interrupted
    std::vector<RecoveredFile> finished, asBefore, setAside;
    std::string error; // a sentence when the log or the library could not be read or written
    bool isEmpty() const { return sets.empty() && finished.empty() && setAside.empty() && error.empty(); }
};

/// The report in a few sentences for a person; none if it is empty.
std::vector<std::string> sentencesOf(const RecoveryReport& report);

struct WriteOutcome {
    int64_t set = 0;
    files::SetReport report;
    RecoveryReport recovered;    // what was put right before
    std::vector<FileId> touched; // files of which the library knows something else now, or nothing any more
};

/// Carries out the set. Written drafts are removed, files are read again, files that came onto a shelf leave
/// the batch.
WriteOutcome writeSet(Store& store, const files::ChangeSet& set, int64_t batch, std::stop_token stop,
                      work::Progress& progress);

struct TakeBackOutcome {
    size_t done = 0;
    std::vector<std::pair<Path, std::string>> refused; // with the reason
    std::string error;                                 // a sentence when it could not go on
    std::vector<FileId> touched;                       // as in WriteOutcome
};

/// Takes back a set, or only some of its steps (by number). Files return to the batch that they came from.
TakeBackOutcome takeBackSet(Store& store, int64_t set, const std::optional<std::set<size_t>>& only,
                            std::stop_token stop, work::Progress& progress);

/// Files that the program made (from a disc), as one set of the journal that is taken back into the trash.
/// They have their names already; each is recorded, and known where it lies on a shelf, in a transaction of
/// its own. Not held over what takes long: between two files others may write.
class MadeFiles {
public:
    /// `set`: one of these that goes on, while nothing of it was taken back; 0: a new one.
    MadeFiles(Store& store, std::string title, int64_t set = 0);
    /// `fields`: as they were written. `folders`: that were made for it, outer ones first. One that is in the
    /// set already is another state of the same. An Error where the file is not there, or the library cannot
    /// take it.
    Status add(const Path& file, const tags::Fields& fields, const std::vector<Path>& folders);
    int64_t set() const { return set_; } // 0: nothing was made yet
    /// Files on shelves of which something else is known now.
    std::vector<FileId> takeTouched() { return std::exchange(touched_, {}); }

private:
    Status record(const Path& file, const tags::Fields& fields, const std::vector<Path>& folders);

    Store& store_;
    std::string title_;
    int64_t set_ = 0;
    std::vector<FileId> touched_;
};

/// After a crash: puts right what was being written. Does nothing while another program is writing.
RecoveryReport recover(Store& store);
/// The same, by whoever holds the WriterLock and the log.
RecoveryReport recoverWith(Store& store, files::WriteAheadLog& log);

/// Held by whoever writes files for a library, in whatever process: so that a program that starts does not
/// take a write that is going on for one that was interrupted.
class WriterLock {
public:
    /// Waits for its turn.
    explicit WriterLock(const Store& store);
    /// Does not wait: isHeld() tells.
    WriterLock(const Store& store, std::nothrow_t);
    ~WriterLock();
    WriterLock(const WriterLock&) = delete;
    WriterLock& operator=(const WriterLock&) = delete;
    bool isHeld() const { return held_; }

private:
    int fd_ = -1;
    bool held_ = false;
};

/// The shelf that a path lies on, 0 if none.
int64_t shelfOf(const std::vector<Shelf>& shelves, const Path& path);

} // namespace moorfrost::library
