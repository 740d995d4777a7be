// SPDX-License-Identifier: GPL-3.0-or-later
// Sound as samples, from any file that FFmpeg decodes. One decoder, one thread.
#pragma once

#include <functional>
#include <memory>
#include <stop_token>
#include <vector>

#include "core/base/result.h"

namespace moorfrost::audio {

class Decoder {
public:
    /// Samples come out as 16 bit, interleaved, in this rate and number of channels.
    static Result<std::unique_ptr<Decoder>> open(const Path& path, int sampleRate, int channels);
    ~Decoder();
    Decoder(const Decoder&) = delete;
    Decoder& operator=(const Decoder&) = delete;

    /// The next samples, all channels; empty at the end. Damaged parts are skipped.
    std::vector<int16_t> next();
    /// Where what next() gave last begins, in frames of the file from its start; -1 where it does not tell.
    int64_t position() const;
    /// Of the whole, as the file tells it; 0 where it does not.
    double seconds() const;
    /// Continues at about `seconds` from the start.
    void seek(double seconds);

private:
    struct State;
    explicit Decoder(std::unique_ptr<State> state);
    std::unique_ptr<State> state_;
};

/// So many frames (a sample of each of two channels) from `first` on, exactly as the file has them; fewer at
/// its end. For lossless files of 44,100 Hz and 16 bit: no sample is changed. An Error where the place cannot
/// be found exactly.
Result<std::vector<int16_t>> samplesOf(const Path& path, uint64_t first, size_t frames);

/// Of the seconds heard so far, and of the shape as far as it is drawn: what is still to come is 0.
using PeaksTold = std::function<void(double seconds, std::vector<float> shape)>;
/// `count` values of 0 to 1: the loudest sample of each part of the file, over its whole length. `going` is
/// told every ten seconds of sound.
Result<std::vector<float>> peaksOf(const Path& path, size_t count, std::stop_token stop,
                                   const PeaksTold& going = {});

} // namespace moorfrost::audio
