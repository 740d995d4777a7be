// SPDX-License-Identifier: GPL-3.0-or-later
// The hum of the mains: tones at 50 or 60 Hz and their multiples that are there all the time, also where the
// music is soft.
#pragma once

#include <span>
#include <vector>

#include "core/measure/fft.h"

namespace moorfrost::measure {

struct Hum {
    double hertz = 0;    // of the mains; 0: none
    double level = -200; // of the loudest of its tones, dB below full scale
    double over = 0;     // how far that is over what lies beside it, dB
    int tones = 0;       // how many multiples stand out
};

/// One thread; one channel, or the mean of several.
class HumMeter {
public:
    explicit HumMeter(int rate);
    void feed(std::span<const float> samples);
    Hum result() const;

private:
    void take();

    static constexpr size_t mostFrames = 160;
    int factor_;  // samples that become one
    double rate_; // then, Hz
    double sums_[3] = {};
    int inSum_ = 0;
    RealFft fft_;
    std::vector<float> gathered_;
    size_t every_ = 1, frame_ = 0;
    std::vector<std::vector<float>> frames_; // levels, dB
};

} // namespace moorfrost::measure
