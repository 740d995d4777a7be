// SPDX-License-Identifier: GPL-3.0-or-later
// Pictures as pixels, decoded by FFmpeg. For reading processes only: a picture of a stranger is decoded
// nowhere else.
#pragma once

#include <cstdint>
#include <string>
#include <string_view>

#include "core/base/result.h"

namespace moorfrost::pictures {

/// A square of pixels: four bytes each (red, green, blue, alpha), row by row.
struct Square {
    int side = 0;
    bool hasAlpha = false;
    std::string pixels; // side * side * 4 bytes
};

/// The same, whole: width * height * 4 bytes.
struct Raster {
    int width = 0, height = 0;
    bool hasAlpha = false;
    std::string pixels;
};

/// The largest picture that is decoded: width times height. What says it is larger is refused before any
/// memory is taken for it.
inline constexpr int64_t mostPixels = 100'000'000;

/// The middle of a JPEG, PNG, GIF, BMP or WebP picture, cut to a square first and then made `side` pixels
/// wide.
Result<Square> squareOf(std::string_view data, int side);
/// All of it, made smaller where a side has more than `most` pixels (64 to 4096).
Result<Raster> rasterOf(std::string_view data, int most);

} // namespace moorfrost::pictures
