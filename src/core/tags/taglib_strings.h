// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the module: between TagLib's strings and ours.
#pragma once

#include <string>

#include <taglib/tbytevector.h>
#include <taglib/tstring.h>

namespace moorfrost::tags {

inline std::string utf8(const TagLib::String& s) {
    return s.to8Bit(true);
}
inline TagLib::String wide(const std::string& s) {
    return TagLib::String(s, TagLib::String::UTF8);
}
inline TagLib::ByteVector byteVector(std::string_view b) {
    return {b.data(), static_cast<unsigned int>(b.size())};
}

} // namespace moorfrost::tags
