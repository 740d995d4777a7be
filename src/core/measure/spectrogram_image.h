// SPDX-License-Identifier: GPL-3.0-or-later
// A spectrogram as a picture to hand on: with its axes, the wave below it, and a title.
#pragma once

#include <string>
#include <vector>

#include "core/measure/spectrogram.h"

namespace moorfrost::measure {

/// All columns that were drawn, put together.
struct Spectrogram {
    SpectrogramFrame frame;
    std::vector<uint8_t> levels;            // column by column, each from the lowest row up
    std::vector<std::array<float, 2>> wave; // of each column

    void begin(const SpectrogramFrame& f);
    void add(SpectrogramPart&& part);
    uint8_t level(int column, int row) const;
    /// Columns that are there so far.
    int columns() const { return static_cast<int>(wave.size()); }
};

/// PNG bytes. `line`: Hz at which a dashed line is drawn with `lineText`; 0: none.
Result<std::string> spectrogramPng(const Spectrogram& spectrogram, const std::string& title, double line = 0,
                                   const std::string& lineText = {});

/// "1:51", "0:03.250" where it is fine.
std::string timeText(double seconds, double step);
/// A round step for marks on an axis of this length, of which about `most` fit.
double axisStep(double length, int most, bool time);

} // namespace moorfrost::measure
