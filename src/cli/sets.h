// SPDX-License-Identifier: GPL-3.0-or-later
// Files that are read for a command, and the set that a command writes.
#pragma once

#include "cli/common.h"
#include "core/bench/planning.h"
#include "core/files/scan.h"

namespace moorfrost::cli {

/// Reads all files, on several threads; what cannot be opened at all is said. `fine` turns false if anything
/// failed.
std::vector<files::ScannedFile> readAll(const Options& options, bool& fine);

/// A file that was read, as what is planned sees it; its number is its place in the list, from 1.
/// Keys of fields that the files have beside the standard ones.
std::vector<std::string> customFieldsOf(const std::vector<files::ScannedFile>& files);
/// The plan that was asked for; nullopt after saying what is wrong with it.
std::optional<naming::Plan> parsePlan(const Options& options, const std::vector<files::ScannedFile>& files);
bench::FilePtr recordOf(const files::ScannedFile& file, int64_t number);

/// The set that does it. The numbers of the files were ours: the library finds them by their paths.
files::ChangeSet setOf(const std::string& title, const std::vector<bench::Proposal>& proposals,
                       const bench::Places& places = {});

/// Writes it, and prints a line for each file. The exit code; `fine`: whether all went well until now.
int writeAndReport(library::Store& store, files::ChangeSet set, const Options& options, bool fine);

/// A file that cannot take part, as a line of the output.
void printRefused(const files::ScannedFile& file, const std::string& why);

} // namespace moorfrost::cli
