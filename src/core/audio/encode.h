// SPDX-License-Identifier: GPL-3.0-or-later
// Samples into files of sound, by libavcodec, without time stamps or random numbers in them. One encoder, one
// thread.
#pragma once

#include <cstdint>
#include <memory>
#include <span>
#include <string>
#include <vector>

#include "core/base/result.h"

namespace moorfrost::audio {

struct EncodeFormat {
    std::string name;   // "flac", in plans, settings and on the command line
    std::string label;  // for people
    std::string ending; // ".flac"
    bool lossless = false;
    std::vector<int> bitrates; // bits per second to choose from; none where there is no choice
    int usual = 0;             // of them
};

/// FLAC first; each gives back every sample (lossless), or at least their number (MP3, Vorbis; Opus at 48
/// kHz).
const std::vector<EncodeFormat>& encodeFormats();
/// nullptr if there is none of that name.
const EncodeFormat* encodeFormat(const std::string& name);

class SoundEncoder {
public:
    /// Into this file, which must not be there. `format`: a name of encodeFormats(), or "aac" for tests.
    static Result<std::unique_ptr<SoundEncoder>> open(const Path& path, const std::string& format,
                                                      int bitrate);
    ~SoundEncoder(); // without finish(): what there is of the file stays, to be removed
    SoundEncoder(const SoundEncoder&) = delete;
    SoundEncoder& operator=(const SoundEncoder&) = delete;

    /// 16 bit stereo, interleaved, 44,100 Hz.
    Status add(std::span<const int16_t> samples);
    Status finish();

private:
    struct State;
    explicit SoundEncoder(std::unique_ptr<State> state);
    std::unique_ptr<State> state_;
};

} // namespace moorfrost::audio
