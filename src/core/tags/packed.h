// SPDX-License-Identifier: GPL-3.0-or-later
// What was read from a file, as bytes: for the talk with the reading processes and for the library, where it
// outlives the version that wrote it. Words that come again and again (keys of fields, kinds of pictures,
// names of tags) are numbers.
#pragma once

#include "core/base/wire.h"
#include "core/tags/tag_file.h"

namespace moorfrost::tags {

void put(WireWriter& out, const Fields& fields);
void put(WireWriter& out, const PictureInfo& picture);
void put(WireWriter& out, const TagFile& file);
Fields takeFields(WireReader& in);
PictureInfo takePictureInfo(WireReader& in);
TagFile takeTagFile(WireReader& in);

/// With a number of the form in front, for keeping.
std::string packed(const TagFile& file);
/// What a damaged or unknown form leaves is empty, and false is returned.
bool unpack(std::string_view bytes, TagFile& file);

} // namespace moorfrost::tags
