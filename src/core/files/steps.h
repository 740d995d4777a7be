// SPDX-License-Identifier: GPL-3.0-or-later
// What is asked of the files (steps, in a set) and what is recorded of each: values without behaviour, which
// the write-ahead log and the library's history keep.
#pragma once

#include <cstdint>
#include <optional>
#include <string>
#include <vector>

#include "core/base/recipe.h"
#include "core/files/scan.h"
#include "core/tags/fields.h"
#include "core/tags/tag_io.h"

namespace moorfrost::files {

struct Step {
    int64_t file = 0; // the caller's number for the file; 0 for files that go along
    Path source;
    tags::Fields changes; // fields and pictures to write; an empty list blanks one
    Path target;          // where it goes; empty: it stays
    bool copy = false;    // the source stays as it is; changes go to the copy
    bool made = false;    // the program made the file (a rip): target and source are its place, and taking it
                          // back puts it into the trash
    std::optional<FileState> expected; // as it was when it was read
    // What it held then. Where size or time differ, these decide whether it was changed or only touched.
    std::optional<tags::Fields> expectedFields;
    std::string expectedEssence; // XXH3 of the audio, where it is known
    std::string refused;         // why the caller wants it left out: a sentence
};

/// What to do with files that have other names (hard links).
enum class HardLinks {
    Ask,      // leave them out, and say that there is a choice
    ThisName, // a new file for this name; the other names keep the old content
    AllNames, // change the file itself, where that can be done safely
};

struct ChangeSet {
    std::string title; // "Put away 12 files"
    std::vector<Step> steps;
    std::vector<Path> emptied; // folders to remove at the end, if they are empty by then
    HardLinks hardLinks = HardLinks::Ask;
    tags::Damage damage = tags::Damage::Refuse; // of files that are cut short
    Path pictures = {};                         // where those are kept that are to be added
    bool keepTimes = false;                     // files keep their time of change when their tags are written
};

enum class StepState {
    Planned,
    Begun,
    Done,
    Failed,
    TakenBack,
    SetAside, // after a crash: neither as before nor as asked, so it was left alone
};

/// Which file it is, whatever its name.
struct FileIdentity {
    uint64_t device = 0, inode = 0;
    uint64_t fileSystem = 0; // outlives a restart where device numbers do not; 0 if unknown
    bool operator==(const FileIdentity&) const = default;
    /// The same file on the same disk.
    bool isSameAs(const FileIdentity& other) const {
        return inode == other.inode &&
               (device == other.device || (fileSystem != 0 && fileSystem == other.fileSystem));
    }
};

/// What is kept of one step: enough to tell where it stands after a crash, and to take it back months later.
struct StepRecord {
    Step step;
    StepState state = StepState::Planned;
    std::string error;        // a sentence, when it failed
    bool linksAsked = false;  // it failed because HardLinks must be chosen
    bool damageAsked = false; // it failed because the file is cut short (not kept)
    bool stale = false;       // it failed because the file is not what was read (not kept)
    std::vector<std::string> notes;
    tags::Fields before, after; // all fields, when tags were changed
    CommitClass how = CommitClass::Nothing;
    std::string hashBefore, hashAfter; // of the whole file, where all of it was read: rewrites and copies
    std::string changedHash;           // of what is new in the file, in order: patches
    FileState stateBefore, stateAfter;
    FileIdentity identity;         // of the source, before
    Path real;                     // the source with links resolved
    Recipe undo;                   // the old content from the new
    bool cross = false;            // the target is on another disk
    int circle = 0;                // steps that change places among themselves share a number
    Path parked;                   // a name in between, for the first of them
    std::vector<Path> madeFolders; // that were made for the target, outer ones first
    bool remove = false;           // taking back a copy
    bool blocked = false;          // set aside only until its disk can be written to again

    bool contentChanged() const { return how != CommitClass::Nothing; }
};

struct NumberedStep {
    int64_t set = 0;
    size_t number = 0;
    bool takingBack = false; // the record is of a taking back of that step
    StepRecord record;
    std::vector<Patch> patches; // in place and tail
};

/// A record as text (JSON) without the bytes that are kept, and back. An Error (Damaged) for text that is not
/// such a record, whatever it is.
std::string toText(const StepRecord& record);
Result<StepRecord> recordFromText(const std::string& text);

} // namespace moorfrost::files
