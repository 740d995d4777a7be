// SPDX-License-Identifier: GPL-3.0-or-later
// The samples of a file as they are: in its own rate, all its channels, to the last bit. One thread.
#pragma once

#include <cstdint>
#include <memory>
#include <string>
#include <vector>

#include "core/base/result.h"

namespace moorfrost::audio {

class SampleReader {
public:
    struct Block {
        std::vector<std::vector<float>> channels; // of equal length; 1: full scale
        uint32_t bits = 0; // which are used of samples of 32 bit (two's complement, full scale is bit 31)
        size_t frames() const { return channels.empty() ? 0 : channels.front().size(); }
    };

    static Result<std::unique_ptr<SampleReader>> open(const Path& path);
    ~SampleReader();
    SampleReader(const SampleReader&) = delete;
    SampleReader& operator=(const SampleReader&) = delete;

    /// The next samples; false at the end. Damaged parts are skipped; a part with another number of channels
    /// or another rate, too.
    bool next(Block& block);
    /// Continues at `seconds`, to a sample where the file tells places.
    void seek(double seconds);
    int rate() const;     // Hz
    int channels() const; // at most mostChannels
    /// Of a sample, as the file says; 0 for coders that lose something.
    int depth() const;
    bool isLossless() const;
    std::string codec() const; // "flac"
    /// Of the whole, as the file tells it; 0 where it does not.
    double seconds() const;

    static constexpr int mostChannels = 64;

private:
    struct State;
    explicit SampleReader(std::unique_ptr<State> state);
    std::unique_ptr<State> state_;
};

} // namespace moorfrost::audio
