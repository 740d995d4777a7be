// SPDX-License-Identifier: GPL-3.0-or-later
// Which library is opened where none is named: the one in the XDG data folder, or the place that it was moved
// to, which a line in that folder tells. Any thread; one process at a time changes it.
#pragma once

#include "core/base/result.h"

namespace moorfrost::library {

/// An Error (NotFound) where it was moved to a place that is not there now: its disk may not be connected.
/// Nothing must be begun in its stead without being asked for.
Result<Path> ownLibrary();
/// The place that is told, whether it is there or not.
Path ownLibraryPlace();
/// From now on it is that one.
Status setOwnLibrary(const Path& library);

} // namespace moorfrost::library
