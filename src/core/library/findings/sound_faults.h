// SPDX-License-Identifier: GPL-3.0-or-later
// What the rules of sound say of one file, by what was measured of it (measure/sound_report). Any thread.
#pragma once

#include <vector>

#include "core/library/findings/finding.h"
#include "core/measure/sound_report.h"

namespace moorfrost::library {

struct SoundFault {
    const char* rule = ""; // its key
    std::string sentence;
    std::vector<Evidence> evidence;
    double sure = 1;
    SoundPlace place;
};

/// What can be told of one file by itself, by the rules that are asked.
std::vector<SoundFault> soundFaults(const measure::SoundReport& report, const RuleChoices& rules);

/// It ends in the midst of the sound, unless `next` (what follows it on the release; nullptr: nothing does)
/// takes it up.
std::optional<SoundFault> brokenOff(const measure::SoundReport& report, const measure::SoundReport* next);

/// The loudness to which ReplayGain 2.0 brings all: LUFS.
inline constexpr double replayGainLevel = -18;
/// "-6.52 dB", "0.988553": as ReplayGain has them.
std::string gainText(double lufs);
std::string peakText(double db);

} // namespace moorfrost::library
