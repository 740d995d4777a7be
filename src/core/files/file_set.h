// SPDX-License-Identifier: GPL-3.0-or-later
// The one place in which files are changed. A file set is a list of steps (new tags, a new place, or both,
// file by file) that is checked first, journalled before each change, carried out, and reported per file.
// Each step leaves the file wholly as before or wholly as asked: changed content is built in a new file
// beside it and put in place by one rename; nothing that exists is overwritten.
#pragma once

#include <cstdint>
#include <functional>
#include <optional>
#include <stop_token>
#include <string>
#include <vector>

#include "core/files/scan.h"
#include "core/tags/fields.h"
#include "core/work/progress.h"

namespace moorfrost::files {

struct Step {
    int64_t file = 0; // the caller's number for the file; 0 for files that go along
    Path source;
    tags::Fields changes;              // fields to write; an empty list blanks one
    Path target;                       // where it goes; empty: it stays
    bool copy = false;                 // the source stays as it is; changes go to the copy
    std::optional<FileState> expected; // as it was when it was read: if it differs, the step is left out
};

struct FileSet {
    std::string title; // "Put away 12 files"
    std::vector<Step> steps;
    std::vector<Path> emptied; // folders to remove at the end, if they are empty by then
};

enum class StepState { Planned, Begun, Done, Failed, TakenBack };

/// A piece of a file that can be rebuilt: from the changed file, or from kept bytes.
struct KeptRun {
    bool kept = false;
    uint64_t offset = 0; // in the changed file, or in the kept bytes
    uint64_t length = 0;
};

/// What the journal keeps of one step: enough to tell where it stands after a crash, and to take it back
/// months later.
struct StepRecord {
    Step step;
    StepState state = StepState::Planned;
    std::string error; // a sentence, when it failed
    std::vector<std::string> notes;
    tags::Fields before, after; // all fields, when tags were changed
    bool contentChanged = false;
    std::string hashBefore, hashAfter; // of the whole file, when its content changed
    FileState stateBefore, stateAfter;
    std::vector<KeptRun> runs; // how the old content is rebuilt from the new
    std::string keptBytes;
    std::vector<Path> madeFolders; // that were made for the target, outer ones first
};

/// Where the records go. Each call must be durable when it returns, or throw; the writer then stops before it
/// touches a file.
class JournalSink {
public:
    virtual ~JournalSink() = default;
    /// The whole set, before anything is done.
    virtual void begin(const FileSet& set) = 0;
    /// Several steps at once: about to be changed.
    virtual void stepsBegun(const std::vector<std::pair<size_t, const StepRecord*>>& steps) = 0;
    virtual void stepsEnded(const std::vector<std::pair<size_t, const StepRecord*>>& steps) = 0;
    virtual void foldersRemoved(const std::vector<Path>& folders) = 0;
    virtual void end(bool stopped) = 0;
};

struct SetReport {
    std::vector<StepRecord> steps;
    std::vector<Path> removedFolders;
    size_t done = 0, failed = 0, left = 0; // left: not begun because of a stop
    std::string error;                     // a sentence when the set as a whole could not be carried out
};

/// Carries out the set. Steps with trouble stop only themselves. After a stop, what is done is done and
/// journalled.
SetReport carryOut(const FileSet& set, JournalSink& journal, std::stop_token stop, work::Progress& progress);

/// The outcome of taking back one step.
struct TakeBackResult {
    bool done = false;
    std::string error; // a sentence why not
};

/// Restores what `record` replaced: tags byte for byte, place, folders. Refuses, with the reason, when the
/// file has been changed since or its old place is taken. Steps must be taken back in reverse order.
TakeBackResult takeBack(const StepRecord& record);

/// After a crash: where does a step that had begun stand? Returns the state it is in now (Planned: not done,
/// Done), having removed half-made files and finished a half-made move.
StepState settle(StepRecord& record);

} // namespace moorfrost::files
