// SPDX-License-Identifier: GPL-3.0-or-later
// How high the wave goes between the samples (ITU-R BS.1770-4, annex 2): four values for each sample, by a
// windowed sinc, where the samples around come near the highest so far.
#pragma once

#include <array>
#include <span>
#include <vector>

namespace moorfrost::measure {

/// Of one channel; one thread.
class TruePeak {
public:
    TruePeak();
    void feed(std::span<const float> samples);
    /// Of full scale: above 1 a converter may cut it off.
    float highest() const { return highest_; }

private:
    static constexpr size_t taps = 24; // of each of the values between two samples
    void look(const float* around);

    std::array<std::array<float, taps>, 3> filters_{};
    std::vector<float> window_; // what came last, and what is new
    float highest_ = 0;
};

} // namespace moorfrost::measure
