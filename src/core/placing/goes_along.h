// SPDX-License-Identifier: GPL-3.0-or-later
// The other files of the folders that the music leaves, and the folders that end up empty. Inside placing/
// only.
#pragma once

#include "core/placing/put_away.h"

namespace moorfrost::placing {

/// Puts them into `result`, whose files have their places. What goes along has no place on the disk yet that
/// is sure to be free.
void planAlong(const std::vector<PutAwayFile>& files, const PutAwayOptions& options, PutAwayResult& result);
/// Folders that stay after all, because something in them cannot leave.
void keepWhatIsNotEmptied(PutAwayResult& result);

} // namespace moorfrost::placing
