// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the module: properties in MP4 items. TagLib refuses names it does not know, so the mapping is here:
// the common items by their own names, all others as freeform items "----:com.apple.iTunes:NAME".
#pragma once

#include <taglib/mp4tag.h>

#include "core/tags/taglib_file.h"

namespace moorfrost::tags {

/// `others`: names of items that are no text that is shown.
Properties mp4Properties(const TagLib::MP4::Tag& tag, std::vector<std::string>& others);
void writeMp4(TagLib::MP4::Tag& tag, const Properties& changes);

} // namespace moorfrost::tags
