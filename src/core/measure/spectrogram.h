// SPDX-License-Identifier: GPL-3.0-or-later
// A stretch of a sound as a picture: how loud which tone was when, and the shape of the wave.
#pragma once

#include <array>
#include <cstdint>
#include <functional>
#include <string>
#include <vector>

#include "core/base/result.h"

namespace moorfrost::measure {

struct SpectrogramRequest {
    double from = 0, to = 0;        // seconds; both 0: all of it
    double lowest = 0, highest = 0; // Hz; highest 0: half of the rate
    int columns = 800, rows = 300;  // of the picture, at most mostColumns and mostRows
    static constexpr int mostColumns = 4096, mostRows = 1024;
};

/// What is drawn first of all.
struct SpectrogramFrame {
    double from = 0, to = 0;
    double lowest = 0, highest = 0;
    int columns = 0, rows = 0;
    int rate = 0;       // Hz
    double seconds = 0; // of the whole sound
};

/// Some columns of it.
struct SpectrogramPart {
    int first = 0;
    /// Column by column, each from the lowest row up: 0 for -120 dB of full scale and less, 255 for 0 dB.
    std::vector<uint8_t> levels;
    /// Of each column the lowest and the highest sample.
    std::vector<std::array<float, 2>> wave;
};

using SpectrogramBegun = std::function<void(const SpectrogramFrame&)>;
using SpectrogramDrawn = std::function<void(SpectrogramPart&&)>;

/// Reads the stretch, in a reading process; calls `begun` once, then `drawn` for all columns in their order
/// (those behind the end of the sound are left out). Of a very long stretch each column shows a moment.
Status drawSpectrogram(const Path& path, const SpectrogramRequest& request, const SpectrogramBegun& begun,
                       const SpectrogramDrawn& drawn);

/// Red, green and blue of a level.
std::array<uint8_t, 3> colourOf(uint8_t level);

} // namespace moorfrost::measure
