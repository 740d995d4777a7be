// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/measure/channel_meter.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "core/measure/level_meter.h"

namespace moorfrost::measure {

namespace {

double likeness(double both, double left, double right) {
    const double power = std::sqrt(left * right);
    return power > 0 ? both / power : 0;
}

} // namespace

ChannelMeter::ChannelMeter(int rate)
    : rate_(std::max(1, rate)), slow_(1 - static_cast<float>(std::exp(-2 * std::numbers::pi * 300 / rate_))) {
}

void ChannelMeter::feed(std::span<const float> left, std::span<const float> right) {
    for (size_t i = 0; i < left.size(); ++i) {
        const float l = left[i], r = right[i];
        lowLeft_ += slow_ * (l - lowLeft_);
        lowRight_ += slow_ * (r - lowRight_);
        second_.left += static_cast<double>(l * l);
        second_.right += static_cast<double>(r * r);
        second_.both += static_cast<double>(l * r);
        second_.low += static_cast<double>(lowLeft_ * lowRight_);
        second_.lowLeft += static_cast<double>(lowLeft_ * lowLeft_);
        second_.lowRight += static_cast<double>(lowRight_ * lowRight_);
        apart_ += static_cast<double>((l - r) * (l - r));
        ++frames_;
        if (++inSecond_ == static_cast<uint32_t>(rate_))
            endSecond();
    }
}

void ChannelMeter::endSecond() {
    constexpr double audible = 1e-6; // -60 dB
    if (second_.left / rate_ > audible && second_.right / rate_ > audible) {
        ++seconds_;
        against_ += likeness(second_.low, second_.lowLeft, second_.lowRight) < -0.3;
    }
    all_.left += second_.left;
    all_.right += second_.right;
    all_.both += second_.both;
    all_.low += second_.low;
    all_.lowLeft += second_.lowLeft;
    all_.lowRight += second_.lowRight;
    second_ = {};
    inSecond_ = 0;
}

ChannelTraits ChannelMeter::result() const {
    ChannelMeter whole = *this;
    whole.endSecond();
    const Sums& all = whole.all_;
    ChannelTraits out;
    if (frames_ == 0)
        return out;
    const auto n = static_cast<double>(frames_);
    out.left = decibels(std::sqrt(all.left / n));
    out.right = decibels(std::sqrt(all.right / n));
    const double common = (all.left + all.right) / 2;
    out.difference = common > 0 ? decibels(std::sqrt(apart_ / common)) : -200;
    out.likeness = likeness(all.both, all.left, all.right);
    out.lowLikeness = likeness(all.low, all.lowLeft, all.lowRight);
    out.turned = seconds_ > 0 ? static_cast<double>(against_) / seconds_ : 0; // of whole seconds
    return out;
}

} // namespace moorfrost::measure
