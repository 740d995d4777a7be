// SPDX-License-Identifier: GPL-3.0-or-later
// Loudness by EBU R 128 (libebur128), in a form from which that of an album can be told, too.
#pragma once

#include <cstdint>
#include <map>
#include <memory>
#include <optional>
#include <vector>

namespace moorfrost::measure {

/// How many blocks of 0.4 seconds (every 0.1 seconds one) were how loud: tenths of LUFS, from -70 up.
using LoudnessBlocks = std::map<int, uint32_t>;
/// LUFS of all of these together, gated as ITU-R BS.1770-4 says; nullopt where there is nothing to tell.
std::optional<double> integrated(const LoudnessBlocks& blocks);

struct LoudnessFacts {
    LoudnessBlocks blocks;
    std::optional<double> integrated; // LUFS
    double range = 0;                 // LU, by EBU Tech 3342
    double truePeak = -200;           // dB, of the wave between the samples
};

/// One thread.
class LoudnessMeter {
public:
    LoudnessMeter(int rate, int channels);
    ~LoudnessMeter();
    LoudnessMeter(const LoudnessMeter&) = delete;
    LoudnessMeter& operator=(const LoudnessMeter&) = delete;
    void feed(const std::vector<std::vector<float>>& channels);
    LoudnessFacts result() const;

private:
    struct State;
    std::unique_ptr<State> state_;
};

} // namespace moorfrost::measure
