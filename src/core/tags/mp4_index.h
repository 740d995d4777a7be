// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the module: whether the tables of an MP4 file that TagLib adjusts when the sound moves are as long
// as they say. TagLib believes the number of entries, and goes through four thousand million of them.
#pragma once

#include <string>
#include <vector>

#include <taglib/mp4tag.h>

#include "core/base/byte_source.h"

namespace moorfrost::tags {

bool isMp4IndexSound(const ByteSource& source);

/// Items of the list of an MP4's tags that TagLib could not take, by name: it would leave them out of what it
/// saves.
std::vector<std::string> mp4Dropped(const TagLib::MP4::Tag& tag, const ByteSource& source);

} // namespace moorfrost::tags
