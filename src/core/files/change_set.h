// SPDX-License-Identifier: GPL-3.0-or-later
// The one place in which files are changed. A file set is a list of steps (new tags, a new place, or both,
// file by file) that is checked first, carried out in groups that the write-ahead log holds while they run,
// recorded in a history, and reported per file. After a crash at any point each file is as before or as
// asked; nothing that exists is overwritten. Any thread, one set at a time.
#pragma once

#include <functional>
#include <stop_token>

#include "core/files/write_ahead_log.h"
#include "core/work/progress.h"

namespace moorfrost::files {

/// The history: where it is recorded what was done. Each call must be durable when it returns, or throw; the
/// writer then stops, and the log keeps what was not recorded.
class JournalSink {
public:
    virtual ~JournalSink() = default;
    /// The whole set, before anything is done. Returns its number.
    virtual int64_t begin(const ChangeSet& set) = 0;
    /// Several steps at once: done, failed, set aside or taken back.
    virtual void stepsEnded(int64_t set, const std::vector<std::pair<size_t, const StepRecord*>>& steps) = 0;
    virtual void foldersRemoved(int64_t set, const std::vector<Path>& folders) = 0;
    virtual void end(int64_t set, bool stopped) = 0;
};

struct SetReport {
    int64_t set = 0;
    std::vector<StepRecord> steps;
    std::vector<Path> removedFolders;
    size_t done = 0, failed = 0, left = 0; // left: not begun because of a stop
    std::string error;                     // a sentence when the set as a whole could not be carried out
};

/// Carries out the set. Steps with trouble stop only themselves. After a stop, what is done is done and
/// recorded, the rest is as before. The log must hold nothing that is pending.
SetReport carryOut(const ChangeSet& set, JournalSink& journal, WriteAheadLog& log, std::stop_token stop,
                   work::Progress& progress);

/// A step of a set that was written.
struct PastStep {
    int64_t set = 0;
    size_t number = 0;
    StepRecord record;
};

/// Restores what the steps replaced: bytes, place, folders. Each record's state becomes TakenBack, or its
/// error says why not: the file has been changed since, or its old place is taken. Steps must come in reverse
/// order. Returns a sentence if the journal or the log failed, else "".
std::string takeBack(std::vector<PastStep>& steps, JournalSink& journal, WriteAheadLog& log,
                     std::stop_token stop, work::Progress& progress);

/// What was found and put right after a crash.
struct Recovered {
    NumberedStep step; // its record is in the state that it is in now
    bool finished = false;
};

/// Puts right what the log holds, if anything. `recorded` tells which steps the history has already. An Error
/// if the log cannot be read: nothing must be written then. The caller saves what is returned and then
/// retires `number` (0: there was nothing).
Result<std::vector<Recovered>> recoverGroup(WriteAheadLog& log, uint64_t& number,
                                            const std::function<bool(const NumberedStep&)>& recorded);

/// Looks again at steps that were set aside.
std::vector<Recovered> settleAgain(std::vector<NumberedStep> steps);

} // namespace moorfrost::files
