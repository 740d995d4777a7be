// SPDX-License-Identifier: GPL-3.0-or-later
// What was measured of the sound of files (measure/sound_report), kept in the library as long as a file is as
// it was. A write of ours leaves that as it is: it leaves the sound alone.
#pragma once

#include <functional>
#include <map>
#include <stop_token>

#include "core/library/store/store.h"
#include "core/measure/sound_report.h"
#include "core/work/progress.h"

namespace moorfrost::library {

/// What is kept of a file (WorkedOutTable): the report as JSON ("-": its sound cannot be decoded), and the
/// size and time that the file had.
inline const std::string soundReportField = "sound report";

/// Reports of those of these files that were measured as they are now. On the thread of the store.
std::map<FileId, measure::SoundReport> reportsOf(Store& store, const std::vector<FileRecord>& files);

/// Those of these files that were not measured as they are now. On the thread of the store.
std::vector<FileRecord> notMeasured(Store& store, const std::vector<FileId>& files);

/// A report of this file as it is now, to be kept; nullptr: its sound cannot be decoded.
std::vector<std::string> keptReport(const FileRecord& file, const measure::SoundReport* report);

/// Measures those of these files that were not, some at a time, on `threads` threads (0: one a processor).
/// `keep` gets what is to be kept. How many were measured; an Error (Cancelled) after a stop.
Result<size_t> measureFiles(Store& store, const std::vector<FileId>& files, unsigned threads,
                            std::stop_token stop, work::Progress& progress,
                            const std::function<void(KeptValues&&)>& keep);

} // namespace moorfrost::library
