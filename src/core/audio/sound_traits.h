// SPDX-License-Identifier: GPL-3.0-or-later
// What a minute of a file sounds like, in a few numbers: whether it is loud or soft, steady or broken by
// pauses, one tone or noise.
#pragma once

#include <cstdint>
#include <functional>
#include <span>
#include <stop_token>

#include "core/base/result.h"

namespace moorfrost::audio {

struct SoundTraits {
    double seconds = 0;    // that were listened to
    double level = -120;   // RMS, dB below full scale
    double spread = 0;     // standard deviation of the level from frame to frame, dB; pauses left out
    double pauses = 0;     // share of the frames that are 30 dB below the level, or more
    double lowFrames = 0;  // share of the frames with less than half of the mean level of their second
    double syllables = 0;  // share of the ups and downs of the level (0.5 to 16 a second) that are 2.5 to 8
    double regularity = 0; // how much of them is at one speed, once a second or more: a beat is regular
    double pureTones = 0;  // share of the sounding frames that are one tone and little else
    double oneTone = 0;    // share of the sounding frames that are always the same one tone
    double toneHertz = 0;  // of that tone
    double flatness = 0;   // of the spectrum from 100 Hz up: 0 for tones, towards 1 for noise
};

/// Listens to the middle of a file, a minute at most. The measures are those that tell speech from music
/// since Saunders (1996, zero crossings and low energy) and Scheirer and Slaney (1997: low-energy frames, 4
/// Hz modulation), and the flatness of the spectrum.
/// `going` is told of the seconds heard so far.
Result<SoundTraits> soundTraitsOf(const Path& path, std::stop_token stop,
                                  const std::function<void(double)>& going = {});

/// Of samples of one channel at `traitsRate`.
SoundTraits soundTraitsOf(std::span<const int16_t> samples);
inline constexpr int traitsRate = 11025; // Hz

} // namespace moorfrost::audio
