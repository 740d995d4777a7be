// SPDX-License-Identifier: GPL-3.0-or-later
// Carrying out one group of steps, and putting a group right after a crash. Inside files/ only.
//
// The order of things in a group, with one wait for the disk at each |:
//   the log says all of it | bytes are written, in place or into new files, which are read back | new files
//   and moved files take their names | files that were copied to another disk are removed |
// Bytes are written by several threads, and the disk is asked to begin with each new file at once.
// Then the caller records what happened and retires the group.
#pragma once

#include <memory>

#include "core/files/disk.h"
#include "core/files/write_ahead_log.h"

namespace moorfrost::files {

/// A step that has been checked and prepared.
struct Work {
    NumberedStep entry;
    std::shared_ptr<FileSource> original; // what the recipe is made for
    Recipe recipe;
    std::optional<int64_t> modifiedNs; // the time of change that the result gets
    size_t position = 0;               // in the set

    StepRecord& record() { return entry.record; }
    /// Bytes that the log has to hold for it, and bytes of new files.
    uint64_t imageBytes() const;
    uint64_t newFileBytes() const;
};

struct GroupOutcome {
    uint64_t number = 0;
    bool settled = true; // false: a step could neither be done nor undone; the group must not be retired
};

/// Carries out the works, in this order. Each ends as Done or Failed (with its sentence), unless it is
/// unsettled, when it stays Begun. An Error if the log could not be written: nothing was touched then.
Result<GroupOutcome> runGroup(WriteAheadLog& log, std::vector<std::unique_ptr<Work>>& works);

/// What became of a step of a group that was interrupted.
struct Settled {
    NumberedStep entry;
    enum What { AsBefore, Finished, Undone, Aside } what = AsBefore;
    std::string why; // set aside: a sentence
};

/// Puts every step of the group right: finished if it can be, as before otherwise; left alone where the file
/// is neither. Can be interrupted and run again. Nothing may be passed in that is recorded already.
std::vector<Settled> settleGroup(std::vector<NumberedStep> steps);

} // namespace moorfrost::files
