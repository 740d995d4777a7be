// SPDX-License-Identifier: GPL-3.0-or-later
// Checking many files: their sound against what was stored, whether they can be decoded, whole files against
// a list of checksums. Nothing is changed but what is stored of files that were new. Each runs on several
// threads until done or stopped, and tells what it finds, one call at a time.
#pragma once

#include <functional>
#include <stop_token>
#include <vector>

#include "core/exchange/report.h"
#include "core/library/records.h"
#include "core/work/progress.h"

namespace moorfrost::library {

/// Whether a path is one of `roots` or lies under one.
bool isUnder(const Path& path, const std::vector<Path>& roots);

enum class CheckState { Same, Fine, New, Changed, Damaged, Missing, Unreadable };
/// "same", "new", "changed" ...: also what the command line prints.
const char* name(CheckState state);
bool isTrouble(CheckState state);

struct CheckedFile {
    Path path;
    CheckState state = CheckState::Same;
    std::string sentence; // what was found
    Fixity now;           // of a fixity check
};
using Checked = std::function<void(const CheckedFile&)>;

/// `stored`: of the files and, for those that are missing, of the places that were asked about. The new ones
/// come back as New with their fixity, for storing.
void checkFixity(const std::vector<Path>& files, const std::vector<Fixity>& stored, bool sha256,
                 std::stop_token stop, work::Progress& progress, const Checked& found);

void checkDecoding(const std::vector<Path>& files, std::stop_token stop, work::Progress& progress,
                   const Checked& found);

/// An Error if the list cannot be read.
Status checkAgainstList(const Path& list, std::stop_token stop, work::Progress& progress,
                        const Checked& found);

/// Sums of all regular files under `folder`, but not of the list itself, written to `list` with names
/// relative to its folder. Stopped or with unreadable files nothing is written; those are told as found.
Status writeList(const Path& folder, const Path& list, std::stop_token stop, work::Progress& progress,
                 const Checked& found);

/// What was found, for keeping. Troubles first.
exchange::Report reportOf(const std::string& title, const std::vector<CheckedFile>& files);
/// "97 the same, 1 changed, 2 new."
std::string summaryOf(const std::vector<CheckedFile>& files);

} // namespace moorfrost::library
