// SPDX-License-Identifier: GPL-3.0-or-later
// What the library knows of some files, for those who work on them: read in one go, so that it is all of one
// moment.
#pragma once

#include <map>
#include <vector>

#include "core/library/store/store.h"

namespace moorfrost::library {

struct WorkRows {
    std::vector<FileId> asked;
    std::vector<FileRecord> files;                          // those of them that are known
    std::map<FileId, std::map<int64_t, BatchFile>> batches; // where each is, by batch
    KeptValues kinds, proposedKinds;                        // as the library keeps them
};
WorkRows readWorkRows(Store& store, const std::vector<FileId>& files);

/// The name under which the library keeps what kind of sound is proposed for a file: the kind, why, and the
/// size and time of change that the file had.
inline constexpr const char* proposedKindField = "proposed kind";

/// A batch as a whole.
struct BatchContents {
    std::vector<Batch> batches; // all there are
    int64_t batch = 0;          // this one; 0 where there is none at all
    std::vector<BatchFile> files;
    std::map<std::string, SleeveNote> notes;
    WorkRows rows; // of its files and of those asked for besides
};
/// The batch of that number, or the first where it is none.
BatchContents readBatch(Store& store, int64_t batch, const std::vector<FileId>& besides);

} // namespace moorfrost::library
