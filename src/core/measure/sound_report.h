// SPDX-License-Identifier: GPL-3.0-or-later
// All that is measured of the sound of a file in one go, from its first sample to its last: what it is worth,
// and what may be wrong with it. It says nothing yet; rules judge it.
#pragma once

#include <functional>
#include <optional>
#include <stop_token>
#include <string>
#include <vector>

#include "core/base/result.h"
#include "core/measure/channel_meter.h"
#include "core/measure/coder_traces.h"
#include "core/measure/hum_meter.h"
#include "core/measure/level_meter.h"
#include "core/measure/loudness_meter.h"
#include "core/measure/spectrum_meter.h"

namespace moorfrost::measure {

struct SoundReport {
    std::string codec;     // "flac"
    bool lossless = false; // what the coder gives back is what it got
    int rate = 0;          // Hz
    int channels = 0;
    int depth = 0;    // bits of a sample as the file has them; 0: with loss
    int usedBits = 0; // of these, those that ever change; 0: no sound
    double seconds = 0;
    Levels levels;
    LoudnessFacts loudness;
    std::optional<ChannelTraits> stereo; // of two channels
    std::vector<SpectrumEdge> edges;     // falling by how clear they are
    int mirrored = 0;                    // Hz: the lower rate whose mirror image is clearest; 0: none
    double mirror = 0;                   // how clear it is (SpectrumMeter::mirrors)
    CoderTrace trace;
    Hum hum;

    bool isSilent() const { return levels.peak <= -66; }
    std::string json() const;
    /// nullopt: it is none, or of another version of the program.
    static std::optional<SoundReport> fromJson(std::string_view json);
    /// Made by this version, without reading all of it.
    static bool isCurrent(std::string_view json);
};

/// Reads all of the file, in a reading process. `going` is told the seconds heard so far. An Error where
/// nothing can be decoded.
Result<SoundReport> measureSound(const Path& path, std::stop_token stop,
                                 const std::function<void(double)>& going = {});

/// The coder that leaves such an edge: Opus ends at 20 kHz, whatever the music. "": none.
std::string coderOfEdge(const SoundReport& report);
/// The rate that a sound had before it was raised to that of the file; 0: nothing speaks for it.
int raisedFrom(const SoundReport& report);

} // namespace moorfrost::measure
