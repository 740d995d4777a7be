// SPDX-License-Identifier: GPL-3.0-or-later
// Invented sounds of many makings, to test and measure what the audit tells of sounds: honest ones (bright,
// dull, old, narrow), each from one number.
#pragma once

#include <cstdint>
#include <string>
#include <vector>

#include "core/base/result.h"

namespace moorfrost::test {

enum class Making { Band, Acoustic, Tape, Shellac, Broadcast, Electronic, Speech, Strings };
inline constexpr int makings = 8;
const char* nameOf(Making making);

struct Stereo {
    int rate = 44100;
    std::vector<float> left, right;
    size_t frames() const { return left.size(); }
};

Stereo madeSound(Making making, uint32_t seed, int rate, double seconds);
/// Into a WAV of 16 or 24 bit. `channels`: 1 writes the left one.
Status writeWav(const Path& path, const Stereo& sound, int depth, int channels = 2, bool dither = true);
/// A windowed sinc: what lies above `hertz` is gone, over so many Hz.
void cutAbove(Stereo& sound, double hertz, double over);
void gain(Stereo& sound, double db);
double peakOf(const Stereo& sound);

} // namespace moorfrost::test
