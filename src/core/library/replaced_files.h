// SPDX-License-Identifier: GPL-3.0-or-later
// Files that give way to what comes into their place: into the desktop's trash, or a folder of one's
// own. Each is a step of the set like any other, so that it is taken back with it.
#pragma once

#include <map>
#include <vector>

#include "core/files/change_set.h"
#include "core/library/store/store.h"

namespace moorfrost::library {

/// Adds a step for each of these files. `folder`: empty for the trash. A file that finds no place there
/// stays, and its step says why.
void moveReplaced(Store& store, files::ChangeSet& set, const std::vector<Path>& files, const Path& folder);
/// After it was carried out: what the trash had noted of files that did not go there is taken away.
void forgetNotMoved(const files::ChangeSet& set, const files::SetReport& report);

/// Files that give way to one that is as long, which are taken for the same recording: pairs, for
/// mergeRecordings(), the new one first. To be asked before it is written. `replaced`: by the path of what
/// gives way, what comes.
std::vector<std::vector<FileId>> sameRecordings(Store& store, const std::map<Path, FileId>& replaced);
/// Of these, where both did what they were to.
std::vector<std::vector<FileId>> whatWasDone(std::vector<std::vector<FileId>> pairs,
                                             const files::SetReport& report);

} // namespace moorfrost::library
