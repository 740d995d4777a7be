// SPDX-License-Identifier: GPL-3.0-or-later
// What a recording sounds like, as a row of 32-bit items (Chromaprint, algorithm 2): alike for the same sound
// in another encoding, at another level, with noise. One thread at a time.
#pragma once

#include <cstdint>
#include <functional>
#include <memory>
#include <span>
#include <stop_token>
#include <vector>

#include "core/base/result.h"

namespace moorfrost::sound {

struct Fingerprint {
    std::vector<uint32_t> items;
    double seconds = 0; // of sound that they were made of
    bool operator==(const Fingerprint&) const = default;
};

inline constexpr int fingerprintRate = 11025;            // Hz, one channel
inline constexpr double secondsPerItem = 1365.0 / 11025; // from one item to the next
inline constexpr double mostSeconds = 1200;              // of a file: the rest is left out

class Fingerprinter {
public:
    /// `speed`: how fast the sound plays beside what it is to be compared with; 1.015 is slowed down by that.
    explicit Fingerprinter(double speed = 1, int sampleRate = fingerprintRate, int channels = 1);
    ~Fingerprinter();
    Fingerprinter(Fingerprinter&&) noexcept;
    Fingerprinter& operator=(Fingerprinter&&) noexcept;

    /// Samples as they were announced, channels interleaved.
    void feed(std::span<const int16_t> samples);
    Fingerprint finish();

private:
    struct State;
    std::unique_ptr<State> state_;
};

/// One for each speed, of the first `most` seconds. `going` is told of the seconds heard so far. An Error
/// where the file cannot be decoded; what breaks off is told as far as it goes.
Result<std::vector<Fingerprint>> fingerprintsOf(const Path& path, const std::vector<double>& speeds,
                                                double most, std::stop_token stop,
                                                const std::function<void(double)>& going = {});

} // namespace moorfrost::sound
