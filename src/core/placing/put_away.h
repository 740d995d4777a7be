// SPDX-License-Identifier: GPL-3.0-or-later
// Where each file of a batch will be on a shelf, and what stands against it. Looks at the disk, changes
// nothing. Any thread.
#pragma once

#include <functional>
#include <stop_token>

#include "core/files/safe_name.h"
#include "core/naming/plan.h"
#include "core/placing/along_rule.h"
#include "core/placing/placement.h"

namespace moorfrost::placing {

struct PutAwayOptions {
    naming::Plan plan;
    Path shelf;
    files::NameProfile profile = files::NameProfile::Portable;
    bool anyProfile = false; // a person chose it, whatever the disk can hold; else less is used where it must
    bool copy = false;
    bool inPlace = false;      // files get the name of the plan, and stay in their folders
    AlongRule along;           // pictures, booklets, logs move with the music
    bool removeEmptied = true; // folders that the move empties go
    std::vector<Path> roots; // that were brought in: folders below them go, too, when nothing is left in them
    std::vector<std::string> customFields; // that a plan may name
    std::string notThere;                  // a sentence where the shelf is known not to be mounted
    /// Of a file that is on the shelf; nullopt where it cannot be told. Asked where the better one is kept.
    std::function<std::optional<Quality>(const Path&)> qualityThere;
};

struct PutAwayResult {
    std::vector<Placement> files; // in the order of the input
    std::vector<Placement> along;
    std::vector<Path> newFolders; // absolute, outer ones first
    std::vector<Path> emptied;    // absolute, inner ones first
    size_t moving = 0;
    size_t splitSleeves = 0;
    size_t problems = 0;      // files that cannot be put away
    uint64_t needed = 0;      // bytes that are written anew on the disk of the shelf
    Path root;                // that the parts of places are below: the shelf, or where all files are
    std::string shelfProblem; // a sentence if the shelf itself cannot be used
};

/// The folders below a shelf and the name that the plan gives to each; empty where it can give none. The disk
/// is not looked at.
std::vector<std::vector<std::string>> namesByPlan(const std::vector<PutAwayFile>& files,
                                                  const naming::Plan& plan, files::NameProfile profile);

PutAwayResult planPutAway(const std::vector<PutAwayFile>& files, const PutAwayOptions& options,
                          std::stop_token stop = {});

} // namespace moorfrost::placing
