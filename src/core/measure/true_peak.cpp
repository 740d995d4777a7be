// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/measure/true_peak.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace moorfrost::measure {

TruePeak::TruePeak() : window_(taps, 0.0f) {
    for (size_t phase = 0; phase < filters_.size(); ++phase) {
        double sum = 0;
        const double shift = static_cast<double>(phase + 1) / 4;
        for (size_t i = 0; i < taps; ++i) {
            const double x = static_cast<double>(i) - (taps / 2.0 - 1) - shift;
            const double sinc = std::sin(std::numbers::pi * x) / (std::numbers::pi * x);
            const double w = std::cos(std::numbers::pi * x / (taps + 1));
            filters_[phase][i] = static_cast<float>(sinc * w * w);
            sum += sinc * w * w;
        }
        for (float& f : filters_[phase])
            f /= static_cast<float>(sum);
    }
}

void TruePeak::look(const float* around) {
    for (const auto& filter : filters_) {
        float v = 0;
        for (size_t i = 0; i < taps; ++i)
            v += filter[i] * around[i];
        highest_ = std::max(highest_, std::abs(v));
    }
}

void TruePeak::feed(std::span<const float> samples) {
    for (const float v : samples)
        highest_ = std::max(highest_, std::abs(v));
    window_.insert(window_.end(), samples.begin(), samples.end());
    // Beside each of the highest samples: between it and the next, and between it and the one before.
    constexpr size_t before = taps / 2 - 1;
    size_t i = before + 1;
    for (; i + taps / 2 + 1 < window_.size(); ++i) {
        const float v = std::abs(window_[i]);
        if (v < 0.5f * highest_ || v < std::abs(window_[i - 1]) || v < std::abs(window_[i + 1]))
            continue;
        look(&window_[i - before]);
        look(&window_[i - before - 1]);
    }
    window_.erase(window_.begin(), window_.begin() + static_cast<std::ptrdiff_t>(i - before - 1));
}

} // namespace moorfrost::measure
