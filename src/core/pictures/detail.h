// SPDX-License-Identifier: GPL-3.0-or-later
// How much detail a picture really has: a small one that was enlarged has the pixels, but nothing in them
// that the small one had not. Told by its spectrum. Any thread.
#pragma once

#include "core/pictures/raster.h"

namespace moorfrost::pictures {

/// The side that a picture of this detail would need, in pixels; at most square.side. The square must have
/// the size that the picture has: what was scaled down has lost what is looked for. Powers of frequencies
/// (the average over rows and columns, Hann window) are held against what pictures have that are no
/// enlargement, which falls with the square of the frequency (Field 1987): where they break off, the detail
/// ends. 0 for squares below 64 pixels and for those in which nothing can be told (a plain colour).
int detailOf(const Square& square);

/// The size in which a picture is decoded to be looked at; in pixels, as `shorterSide`.
int sideToLookAt(int shorterSide);
/// Of a picture whose shorter side is that, by a square of the size of sideToLookAt(): what was scaled down
/// to be looked at may have more.
int detailOf(const Square& square, int shorterSide);

/// Less than this part of its side is detail: it was enlarged.
inline constexpr double enlargedBelow = 0.7;

} // namespace moorfrost::pictures
