// SPDX-License-Identifier: GPL-3.0-or-later
// Pictures that drafts and the journal need, each once in a folder beside the library, under a name made of
// its bytes. Here they are read; library/picture_store adds them and cleans up.
#pragma once

#include "core/tags/picture_changes.h"

namespace moorfrost::tags {

/// "01234567890abcdef-81234".
std::string keptName(const PictureInfo& picture);
/// What is kept in the folder. Each is read when it is asked for and compared with its name. Any thread.
PictureBytes keptIn(const Path& folder);

} // namespace moorfrost::tags
