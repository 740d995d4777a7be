// SPDX-License-Identifier: GPL-3.0-or-later
// Made-up music: a melody, chords, a bass, a beat and some noise, all from one number. The same number gives
// the same samples on every machine of one kind.
#pragma once

#include <cstddef>
#include <cstdint>
#include <vector>

namespace moorfrost::demo {

enum class Sound { Band, Drone, Beat, Voice, Tone, Bell, Speech };

struct Piece {
    uint32_t seed = 1;
    double seconds = 20; // at speed 1
    Sound sound = Sound::Band;
    double speed = 1.0; // 1.015: a tape that runs 1.5 % fast
};

/// A small generator of our own: std distributions differ between libraries.
class Chance {
public:
    explicit Chance(uint32_t seed) : state_(seed * 2654435761u + 12345u) {}
    uint32_t next() {
        state_ ^= state_ << 13;
        state_ ^= state_ >> 17;
        state_ ^= state_ << 5;
        return state_;
    }
    int below(int n) { return static_cast<int>(next() % static_cast<uint32_t>(n)); }
    float unit() { return static_cast<float>(next() >> 8) / 16777216.0f; }

private:
    uint32_t state_;
};

/// A bell, struck every two seconds; babble in the rhythm of speech. One channel, -1 to 1.
std::vector<float> bell(Chance& chance, std::size_t frames);
std::vector<float> babble(Chance& chance, std::size_t frames);

/// 16 bit stereo, interleaved, 44,100 Hz.
std::vector<int16_t> synthesise(const Piece& piece);
inline constexpr int sampleRate = 44100;

} // namespace moorfrost::demo
