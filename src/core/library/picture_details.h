// SPDX-License-Identifier: GPL-3.0-or-later
// How much detail the front covers of files really have (pictures/detail), kept in the library as long as a
// file has that picture.
#pragma once

#include <functional>
#include <map>
#include <stop_token>

#include "core/library/store/store.h"
#include "core/work/progress.h"

namespace moorfrost::library {

/// What is kept of a file (WorkedOutTable): the detail in pixels (0: it cannot be told), and the hash of the
/// picture.
inline const std::string pictureDetailField = "picture detail";

/// nullptr where there is none.
const tags::PictureInfo* frontCoverOf(const FileRecord& file);

/// Of those of these files whose front cover was looked at, pixels of the shorter side. On the thread of the
/// store.
std::map<FileId, int> pictureDetailsOf(Store& store, const std::vector<FileRecord>& files);

/// Looks at the front covers of those of these files that were not, some at a time, on `threads` threads (0:
/// one a processor); at the same picture once. `keep` gets what is to be kept. How many files it was; an
/// Error (Cancelled) after a stop.
Result<size_t> lookAtPictures(Store& store, const std::vector<FileId>& files, unsigned threads,
                              std::stop_token stop, work::Progress& progress,
                              const std::function<void(KeptValues&&)>& keep);

} // namespace moorfrost::library
