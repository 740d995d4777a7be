// SPDX-License-Identifier: GPL-3.0-or-later
// How loud a sound is as people hear it (EBU R 128, by libebur128). One thread at a time.
#pragma once

#include <cstdint>
#include <memory>
#include <optional>
#include <span>

namespace moorfrost::audio {

class Loudness {
public:
    Loudness(int sampleRate, int channels);
    ~Loudness();
    Loudness(const Loudness&) = delete;
    Loudness& operator=(const Loudness&) = delete;

    /// Samples of all channels, interleaved.
    void feed(std::span<const int16_t> samples);
    /// LUFS of all that came; nullopt where it is too short or too soft to be told.
    std::optional<double> integrated() const;

private:
    struct State;
    std::unique_ptr<State> state_;
};

} // namespace moorfrost::audio
