// SPDX-License-Identifier: GPL-3.0-or-later
// What a picture says of its colours, from its headers, without decoding it. Any thread.
#pragma once

#include <string>
#include <string_view>

namespace moorfrost::tags {

/// The name of its ICC profile ("sRGB IEC61966-2.1"), with "CMYK" or "grey" where its colours are that. ""
/// where it says nothing, or nothing that makes sense. JPEG and PNG.
std::string colourProfile(std::string_view picture);

} // namespace moorfrost::tags
