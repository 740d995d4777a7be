// SPDX-License-Identifier: GPL-3.0-or-later
// Whether a sound was coded with loss before: such coders cut a sound into frames, and round what each holds
// in a spectrum of their own. Whoever takes the same spectrum at the same places finds many values that are
// 0, or alike; a sample beside it nothing is left of that. So all places are tried: where one of them
// stands out, again and again over the sound, a coder was at work, whatever the spectrum looks like.
// (After Herre and Schug, "Analysis of decompressed audio - the inverse decoder", 2000.)
#pragma once

#include <span>
#include <string>
#include <vector>

#include "core/measure/segment_picker.h"

namespace moorfrost::measure {

struct CoderTrace {
    std::string coder;   // "MP3", "AAC", "Vorbis"; "": none
    double strength = 0; // how far the place stands out, in standard deviations of the others
    int segments = 0;    // in how many of those that were looked at
    int looked = 0;
    /// By chance none gets there; one stretch of an odd sound may, but not several at the same place.
    bool found() const { return strength >= 8 && segments >= (strength < 15 ? 3 : 2); }
};

/// The strongest. One thread.
CoderTrace coderTraceOf(std::span<const SegmentPicker::Segment> segments, int rate);

} // namespace moorfrost::measure
