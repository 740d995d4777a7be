// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/measure/segment_picker.h"

#include <algorithm>
#include <utility>

namespace moorfrost::measure {

namespace {

/// The softest of its eighths, of the differences from sample to sample: these are of high tones.
double scoreOf(const std::vector<float>& left, const std::vector<float>& right) {
    constexpr size_t part = SegmentPicker::length / 8;
    float least = 0;
    for (size_t p = 0; p < 8; ++p) {
        float sum = 0;
        for (size_t i = p * part + 2; i < (p + 1) * part; ++i) {
            const float l = left[i] - 2 * left[i - 1] + left[i - 2],
                        r = right[i] - 2 * right[i - 1] + right[i - 2];
            sum += l * l + r * r;
        }
        least = p == 0 ? sum : std::min(least, sum);
    }
    return static_cast<double>(least);
}

} // namespace

SegmentPicker::SegmentPicker(int rate) : slotLength_(static_cast<uint64_t>(std::max(1, rate))) {}

void SegmentPicker::feed(std::span<const float> left, std::span<const float> right) {
    for (size_t i = 0; i < left.size();) {
        const size_t n = std::min(left.size() - i, length - left_.size());
        left_.insert(left_.end(), left.begin() + static_cast<std::ptrdiff_t>(i),
                     left.begin() + static_cast<std::ptrdiff_t>(i + n));
        right_.insert(right_.end(), right.begin() + static_cast<std::ptrdiff_t>(i),
                      right.begin() + static_cast<std::ptrdiff_t>(i + n));
        i += n;
        if (left_.size() == length)
            weigh();
    }
}

void SegmentPicker::weigh() {
    const double score = scoreOf(left_, right_);
    if (at_ / slotLength_ >= mostSlots) { // of two neighbours the better stays
        for (size_t i = 0; i < slots_.size(); i += 2) {
            Segment& better =
                i + 1 < slots_.size() && slots_[i + 1].score > slots_[i].score ? slots_[i + 1] : slots_[i];
            if (&better != &slots_[i / 2])
                slots_[i / 2] = std::move(better);
        }
        slots_.resize((slots_.size() + 1) / 2);
        slotLength_ *= 2;
    }
    const auto slot = static_cast<size_t>(at_ / slotLength_);
    if (slot >= slots_.size())
        slots_.resize(slot + 1);
    if (score > slots_[slot].score)
        slots_[slot] = {at_, left_, right_, score};
    at_ += length;
    left_.clear();
    right_.clear();
}

std::vector<SegmentPicker::Segment> SegmentPicker::best(size_t most) const {
    std::vector<const Segment*> order;
    for (const Segment& one : slots_)
        if (one.score > 0)
            order.push_back(&one);
    std::ranges::stable_sort(order, std::greater(), &Segment::score);
    order.resize(std::min(order.size(), most));
    std::ranges::sort(order, {}, &Segment::from);
    std::vector<Segment> out;
    for (const Segment* one : order)
        out.push_back(*one);
    return out;
}

} // namespace moorfrost::measure
