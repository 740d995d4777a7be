// SPDX-License-Identifier: GPL-3.0-or-later
// What is looked at before anything is done, and the order in which steps can be done. Inside files/ only.
#pragma once

#include <map>
#include <set>

#include "core/files/steps.h"

namespace moorfrost::files {

void fail(StepRecord& record, const std::string& sentence);
/// "The file x is in that place already ..."
std::string shown(const Path& path);

/// Looks at every step alone (is the file there, the one that was read, may it be changed) and at all of them
/// together (twice the same file or place, places that are taken, room on the disks). Steps with trouble
/// become Failed. The rest come back in an order in which every place is free when its turn comes; steps that
/// change places among themselves stay together.
std::vector<std::vector<size_t>> checkSteps(std::vector<StepRecord*>& records);

/// A sentence if what is there is not what was read, else "". `touched`: only its time is another.
std::string whyChanged(const StepRecord& record, const FileState& now, bool& touched);

/// Bytes that may be written to the disk of this folder, less a reserve.
uint64_t freeBytes(const Path& folder);
std::string noRoom(uint64_t wanted, uint64_t there);

} // namespace moorfrost::files
