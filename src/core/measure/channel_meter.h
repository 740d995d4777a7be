// SPDX-License-Identifier: GPL-3.0-or-later
// How two channels go together: whether they are one, whether one is missing or turned upside down.
#pragma once

#include <cstdint>
#include <span>

namespace moorfrost::measure {

struct ChannelTraits {
    double left = -200, right = -200; // RMS, dB below full scale
    double difference = 0;            // of both to what they have in common, dB; -200: they are the same
    double likeness = 0;              // -1: each other's mirror image, 1: the same
    double lowLikeness = 0;           // the same, of what is below 300 Hz
    double turned = 0;                // share of the seconds with sound in which both go against each other
};

/// One thread.
class ChannelMeter {
public:
    explicit ChannelMeter(int rate);
    void feed(std::span<const float> left, std::span<const float> right);
    ChannelTraits result() const;

private:
    struct Sums {
        double left = 0, right = 0, both = 0, low = 0, lowLeft = 0, lowRight = 0;
    };
    void endSecond();

    int rate_;
    float slow_; // of the low pass
    float lowLeft_ = 0, lowRight_ = 0;
    Sums second_, all_;
    double apart_ = 0;
    uint64_t frames_ = 0;
    uint32_t inSecond_ = 0, seconds_ = 0, against_ = 0;
};

} // namespace moorfrost::measure
