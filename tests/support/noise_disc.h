// SPDX-License-Identifier: GPL-3.0-or-later
// The sound of a disc on which no two sectors are alike.
#pragma once

#include <cstdint>
#include <string>
#include <vector>

#include "core/disc/toc.h"

namespace moorfrost::test {

using disc::framesPerSector;

/// Noise, so that no two sectors are alike; silence at both ends.
inline std::vector<int16_t> noise(int sectors, uint32_t seed) {
    std::vector<int16_t> out(static_cast<size_t>(sectors) * framesPerSector * 2);
    uint32_t state = seed;
    for (size_t i = 3000; i + 3000 < out.size(); ++i) {
        state = state * 1664525u + 1013904223u;
        out[i] = static_cast<int16_t>(state >> 16);
    }
    return out;
}

inline std::string bytesOf(const std::vector<int16_t>& samples, size_t from = 0, size_t count = SIZE_MAX) {
    std::string out;
    for (size_t i = from; i < std::min(samples.size(), count == SIZE_MAX ? SIZE_MAX : from + count); ++i) {
        out += static_cast<char>(samples[i] & 255);
        out += static_cast<char>(samples[i] >> 8 & 255);
    }
    return out;
}

inline constexpr size_t perSector = framesPerSector * 2;

} // namespace moorfrost::test
