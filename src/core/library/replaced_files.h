// SPDX-License-Identifier: GPL-3.0-or-later
// Files that give way to what comes into their place: into the desktop's trash, or a folder of one's
// own. Each is a step of the set like any other, so that it is taken back with it.
#pragma once

#include <map>
#include <vector>

#include "core/files/change_set.h"
#include "core/library/store/store.h"

namespace moorfrost::library {

/// Adds a step for each of these files. `folder`: empty for the trash. A file that finds no place there stays,
/// and its step says why.
void moveReplaced(Store& store, files::ChangeSet& set, const std::vector<Path>& files, const Path& folder);
/// After it was carried out: what the trash had noted of files that did not go there is taken away.
void forgetNotMoved(const files::ChangeSet& set, const files::SetReport& report);

/// What gave way to another file that is as long is taken for the same recording: pairs, for
/// mergeRecordings(). `replaced`: by the path where it was, the file that took its place.
std::vector<std::vector<FileId>> sameRecordings(Store& store, const files::SetReport& report,
                                                const std::map<Path, FileId>& replaced);

} // namespace moorfrost::library
