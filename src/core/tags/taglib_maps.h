// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the module: between TagLib's strings and maps and ours.
#pragma once

#include <map>
#include <string>
#include <vector>

#include <taglib/id3v2tag.h>
#include <taglib/infotag.h>
#include <taglib/tpropertymap.h>

#include "core/tags/taglib_file.h"

namespace moorfrost::tags {

/// As TagLib's own to8Bit(true), without the copies that it makes on the way.
std::string utf8(const TagLib::String& s);
inline TagLib::String wide(const std::string& s) {
    return TagLib::String(s, TagLib::String::UTF8);
}
std::vector<std::string> strings(const TagLib::StringList& list);
TagLib::StringList stringList(const std::vector<std::string>& values);
/// Any of TagLib's maps of names to lists of texts.
Properties fromMap(const TagLib::Map<TagLib::String, TagLib::StringList>& map);
TagLib::PropertyMap toMap(const Properties& properties);

/// What TagLib reads, with the lists of people (TIPL, TMCL) read pair by pair: TagLib gives up on the whole
/// list when it meets a role it does not know, which is what every ID3v2.3 list with an instrument in it is.
Properties id3Properties(const TagLib::ID3v2::Tag& tag);

/// TagLib leaves frames that it does not know out of what it saves, where their header or their age asks for
/// it. They are kept.
void keepUnknownFrames(TagLib::ID3v2::Tag& tag);

/// Property names to the names of the items of a RIFF INFO list.
const std::map<std::string, const char*>& infoIds();
Properties infoProperties(const TagLib::RIFF::Info::Tag& tag);

/// Text of INFO lists is UTF-8 if it can be, else taken byte by byte.
void readInfoTextSafely();

} // namespace moorfrost::tags
