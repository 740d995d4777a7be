// SPDX-License-Identifier: GPL-3.0-or-later
// Where each file of a batch will be on a shelf, and what stands against it. Looks at the disk, changes
// nothing.
#pragma once

#include <cstdint>
#include <map>
#include <optional>
#include <stop_token>
#include <string>
#include <vector>

#include "core/audio/format.h"
#include "core/files/safe_name.h"
#include "core/naming/plan.h"
#include "core/tags/tag_file.h"

namespace moorfrost::naming {

struct PutAwayFile {
    int64_t id = 0;
    Path path;
    audio::Format format = audio::Format::Unknown;
    tags::Fields fields;                      // as they will be: drafts put in
    std::map<std::string, std::string> facts; // by factNames()
    std::string sleeve; // files with the same are believed to be one release; "" for strays
};

/// The facts that a plan may name.
std::map<std::string, std::string> factsOf(const Path& path, const tags::TagFile& file);

struct PutAwayOptions {
    Plan plan;
    Path shelf;
    files::NameProfile profile = files::NameProfile::Portable;
    bool copy = false;
    bool goesAlong = true;     // pictures, booklets, logs move with the music
    bool removeEmptied = true; // folders that the move empties go
};

enum class MarkKind {
    NewFolder, // good: will be made
    InPlace,   // neutral: is there already
    GoesAlong, // neutral
    Gap,       // attention: a field of the plan has no value
    Split,     // attention: files of one sleeve go to different folders
    Clash,     // wrong: two files for one name
    Taken,     // wrong: something is there already
    Blocked,   // wrong: no name can be made
};

struct Mark {
    MarkKind kind = MarkKind::InPlace;
    std::string text; // a few words, with the reason where there is one
};

struct Placement {
    int64_t id = 0; // 0 for files that go along
    Path from;
    Path to; // absolute; empty when blocked
    bool copy = false;
    std::vector<std::string> parts; // of `to` below the shelf
    std::vector<Mark> marks;

    bool blocked() const;
    bool moves() const { return !blocked() && from != to; }
    const Mark* mark(MarkKind kind) const;
};

struct PutAwayResult {
    std::vector<Placement> files; // in the order of the input
    std::vector<Placement> along;
    std::vector<Path> newFolders; // absolute, outer ones first
    std::vector<Path> emptied;    // absolute, inner ones first
    size_t moving = 0;
    size_t splitSleeves = 0;
    size_t problems = 0;      // files that cannot be put away
    std::string shelfProblem; // a sentence if the shelf itself cannot be used
};

/// The folders below a shelf and the name that the plan gives to each; empty where it can give none. The disk
/// is not looked at.
std::vector<std::vector<std::string>> namesByPlan(const std::vector<PutAwayFile>& files, const Plan& plan,
                                                  files::NameProfile profile);

PutAwayResult planPutAway(const std::vector<PutAwayFile>& files, const PutAwayOptions& options,
                          std::stop_token stop = {});

} // namespace moorfrost::naming
