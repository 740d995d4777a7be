// SPDX-License-Identifier: GPL-3.0-or-later
// Changing what the library keeps of recordings: values, which files are one recording, which of them is the
// best. Each change is journalled (ChangeTable) with what it replaced, and can be taken back from there. All
// of it in one transaction; on the thread of the store.
#pragma once

#include <map>
#include <set>
#include <string>
#include <vector>

#include "core/library/kept_change.h"

namespace moorfrost::library {

/// A recording as it is shown.
struct RecordingView {
    RecordingId id = 0;            // 0: the file belongs to none
    std::vector<FileRecord> files; // the best first
    FileId best = 0;
    bool chosen = false;                                  // the best was chosen by a person
    std::map<std::string, std::vector<std::string>> kept; // by field
};
RecordingView recordingOf(Store& store, FileId file);

/// The better first: there, undamaged, lossless, more bits, a higher rate, a higher bit rate.
bool isBetter(const FileRecord& a, const FileRecord& b);

/// Keeps these values of the recordings of the files; no values: none are kept any more. Files that are not
/// known are left out.
ChangeOutcome keepValues(Store& store, const std::string& title, const std::string& field,
                         const KeptValues& values);

/// Notes where the recordings of these files were used, beside what was noted before. An Error (Invalid)
/// where the use says nothing.
Result<ChangeOutcome> addUse(Store& store, const std::string& title, const Use& use,
                             const std::vector<FileId>& files);
ChangeOutcome removeUse(Store& store, const std::string& title, const Use& use,
                        const std::vector<FileId>& files);

/// Marks a place in the recording of a file. An Error (Invalid) where it cannot be kept.
Result<ChangeOutcome> addBookmark(Store& store, const std::string& title, const Bookmark& bookmark,
                                  FileId file);
ChangeOutcome removeBookmark(Store& store, const std::string& title, const Bookmark& bookmark, FileId file);

/// The same as a part of another change. False where they are one recording already.
bool mergeRecordings(Store& store, KeptChange& change, const std::vector<FileId>& files, bool byHand);
/// All files of the recordings of these files become one recording: that of which most is kept. What several
/// keep stays as that one has it; lists have that one in the places of the others. An Error (Invalid) with
/// fewer than two recordings.
Result<ChangeOutcome> mergeRecordings(Store& store, const std::vector<FileId>& files);

/// Some of the files of a recording become one of their own, which keeps what that one kept: its number. The
/// recording has others.
RecordingId partRecording(Store& store, KeptChange& change, RecordingId recording,
                          const std::vector<FileId>& members);
/// These files become a recording of their own (together, of each recording that they belong to), which keeps
/// what that one kept. They are not joined with it again by themselves. An Error (Invalid) where no other
/// file would be left.
Result<ChangeOutcome> partFiles(Store& store, const std::vector<FileId>& files);

/// `chosen` false: the best is found by what the files are again.
Result<ChangeOutcome> chooseBest(Store& store, FileId file, bool chosen = true);

/// Of absent files nothing is known any more; with the last file of a recording goes what was kept of it. An
/// Error (Invalid) if one of them is there.
Result<ChangeOutcome> forgetAbsent(Store& store, const std::vector<FileId>& files);

/// Each group of files has the same sound: its recordings become one. Files that a person put where they are
/// stay there.
ChangeOutcome joinSameSound(Store& store, const std::vector<std::vector<FileId>>& groups);

} // namespace moorfrost::library
