// SPDX-License-Identifier: GPL-3.0-or-later
// Picks a few short stretches of a sound of any length while it goes by: spread over all of it, and where its
// high tones are loud and do not pause.
#pragma once

#include <cstdint>
#include <span>
#include <vector>

namespace moorfrost::measure {

class SegmentPicker {
public:
    struct Segment {
        uint64_t from = 0; // samples from the start
        std::vector<float> left, right;
        double score = 0;
    };
    static constexpr size_t length = 8192; // samples of one

    explicit SegmentPicker(int rate);
    /// The next samples; `right` may be the same as `left`.
    void feed(std::span<const float> left, std::span<const float> right);
    /// The best, in the order of time.
    std::vector<Segment> best(size_t most) const;

private:
    void weigh();

    static constexpr size_t mostSlots = 24;
    uint64_t slotLength_; // samples
    uint64_t at_ = 0;     // of what is gathered
    std::vector<float> left_, right_;
    std::vector<Segment> slots_; // the best of each
};

} // namespace moorfrost::measure
