// SPDX-License-Identifier: GPL-3.0-or-later
// The desktop's trash (freedesktop.org Trash specification 1.0): where a file goes that is put there, and the
// note beside it that tells the desktop where it came from. The move itself is a step like any other, so it
// is journalled and can be taken back.
#pragma once

#include "core/base/result.h"

namespace moorfrost::files {

/// A free place in the trash that the file's disk has; its note is written, and so keeps the place. The
/// folders are made where they are missing.
Result<Path> placeInTrash(const Path& file);
/// Takes the note away: the file did not go there after all, or came back. Does nothing for other places.
void forgetTrashed(const Path& placed);

} // namespace moorfrost::files
