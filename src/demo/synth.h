// SPDX-License-Identifier: GPL-3.0-or-later
// Made-up music: a melody, chords, a bass, a beat and some noise, all from one number. The same number gives
// the same samples on every machine of one kind.
#pragma once

#include <cstdint>
#include <vector>

namespace moorfrost::demo {

enum class Sound { Band, Drone, Beat, Voice, Tone };

struct Piece {
    uint32_t seed = 1;
    double seconds = 20;
    Sound sound = Sound::Band;
    double speed = 1.0; // 1.015: a tape that runs 1.5 % fast
};

/// 16 bit stereo, interleaved, 44,100 Hz.
std::vector<int16_t> synthesise(const Piece& piece);
inline constexpr int sampleRate = 44100;

} // namespace moorfrost::demo
