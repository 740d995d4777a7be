// SPDX-License-Identifier: GPL-3.0-or-later
// The spectrum of a whole sound, and where it breaks off.
#pragma once

#include <span>
#include <vector>

#include "core/measure/fft.h"

namespace moorfrost::measure {

/// A frequency above which a sound has much less than below, all at once.
struct SpectrumEdge {
    double hertz = 0;
    double drop = 0;  // dB, from below to above
    double width = 0; // Hz, in which most of the drop lies
    double above =
        0; // dB: how much the loudest part above it is over the softest: little for nothing but noise
    double ends = 0; // Hz, from where on there is no more than at the very top of the spectrum
    double floor =
        0; // dB of full scale, of a line above it: -118 and less is what rounding leaves, or nothing
};

class SpectrumMeter {
public:
    explicit SpectrumMeter(int rate);
    /// One channel; of several, one after the other for the same stretch.
    void feed(std::span<const float> samples);
    /// Mean level of each line, dB below full scale of a sine; empty where it was too short.
    std::vector<double> levels() const;
    double lineHertz() const;
    /// The clearest ones, falling by the step at the place itself; none below 2 kHz.
    std::vector<SpectrumEdge> edges() const;
    /// How far what lies above half of a lower rate is the mirror image of what lies below it, for each of
    /// lowerRates(): 0 by chance, towards 1 where that rate was raised by a soft filter.
    std::vector<double> mirrors() const;
    /// Rates below that of the file which a sound may have had before.
    const std::vector<int>& lowerRates() const { return lowerRates_; }

private:
    /// Lines that lie at the same distance from half of a rate, below and above, with what they tell.
    struct Mirror {
        struct Pair {
            size_t below, above;
            double x = 0, y = 0, xx = 0, yy = 0, xy = 0;
        };
        std::vector<Pair> pairs;
    };
    void take();
    void takeMirrors(const std::vector<float>& levels);

    int rate_;
    RealFft fft_;
    std::vector<float> window_;
    std::vector<float> gathered_;
    std::vector<double> sum_; // of levels in dB
    size_t frames_ = 0;
    std::vector<float> now_; // levels of the frame that came last
    std::vector<int> lowerRates_;
    std::vector<Mirror> mirrors_; // for each
};

} // namespace moorfrost::measure
