// SPDX-License-Identifier: GPL-3.0-or-later
// Facts about pictures from their headers, without decoding them.
#pragma once

#include <string>
#include <string_view>

#include "core/tags/tag_file.h"

namespace moorfrost::tags {

struct PictureSize {
    int width = 0; // pixels; 0 where the header does not tell
    int height = 0;
};

/// JPEG, PNG, GIF, BMP and WebP.
PictureSize pictureSize(std::string_view data);
/// "image/png" ... by content; "" if it is none of the above.
std::string pictureMime(std::string_view data);
/// Whether it ends where its kind of picture ends. By structure, without decoding.
bool isWholePicture(std::string_view data);
/// Whether it shows several pictures one after the other.
bool isAnimated(std::string_view data);
/// The name of an ID3v2 / FLAC picture type number.
std::string pictureTypeName(int type);
/// `mime` and `size` as the tag tells them, for what the picture's own header does not. `withBytes`: else
/// only what there is to say of it.
Picture makePicture(const std::string& type, std::string_view data, const std::string& mime,
                    const std::string& description, bool withBytes, PictureSize size = {});

} // namespace moorfrost::tags
