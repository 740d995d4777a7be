// SPDX-License-Identifier: GPL-3.0-or-later
// The hybrid filter bank of MPEG-1 audio layer III (ISO/IEC 11172-3), as an encoder has it, long blocks only.
#pragma once

#include <array>
#include <span>
#include <vector>

namespace moorfrost::measure {

inline constexpr size_t mp3Granule = 576; // samples, and lines of the spectrum

/// Samples of the 32 bands, one row of 32 for each 32 samples: as many as fit (each needs 512).
std::vector<std::array<float, 32>> mp3Bands(std::span<const float> samples);

/// The 576 lines of the granule whose 36 rows of bands (the granule before it and itself) begin at `rows`.
/// The first of them is an even one of its granule.
std::array<float, mp3Granule> mp3Lines(std::span<const std::array<float, 32>, 36> rows);

} // namespace moorfrost::measure
