// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the module: the attributes of ASF (WMA) files. TagLib's own mapping leaves out what it has no name
// for; here every text is read, and every field can be written.
#pragma once

#include <taglib/asftag.h>

#include "core/tags/taglib_file.h"

namespace moorfrost::tags {

/// `others`: names of attributes that are no text.
Properties asfProperties(const TagLib::ASF::Tag& tag, std::vector<std::string>& others);
/// `lastFirst`: TagLib keeps the first of several values apart from the others, in a part of the file that
/// may be read after theirs.
void writeAsf(TagLib::ASF::Tag& tag, const Properties& changes, bool lastFirst);

} // namespace moorfrost::tags
