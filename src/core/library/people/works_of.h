// SPDX-License-Identifier: GPL-3.0-or-later
// The works of recordings in one step. On the thread of the store.
#pragma once

#include "core/library/people/card_changes.h"

namespace moorfrost::library {

/// Each recording of these files that has no work yet gets one, all versions of a family the same: that of
/// its family, else the one of its title and writers (of its artist, where no writers are known), else a new
/// one with the writers that the tags of the lead name. `made`: how many are new.
Result<ChangeOutcome> makeWorksOf(Store& store, const std::vector<FileId>& files, size_t& made);

} // namespace moorfrost::library
