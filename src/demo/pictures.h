// SPDX-License-Identifier: GPL-3.0-or-later
// Cover pictures, drawn: a sky, a sea, hills, a sun, by number.
#pragma once

#include <cstdint>
#include <string>

namespace moorfrost::demo {

/// JPEG bytes (PNG if `png`).
std::string drawCover(uint32_t seed, int size, bool png = false);

} // namespace moorfrost::demo
