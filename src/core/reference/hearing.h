// SPDX-License-Identifier: GPL-3.0-or-later
// What a reference says to sounds: which of its recordings they are, and on which releases these are.
#pragma once

#include <string>
#include <vector>

#include "core/reference/release.h"
#include "core/sound/fingerprint.h"

namespace moorfrost::reference {

/// With which the simulated reference keeps the index of its sounds.
inline constexpr const char* soundsRevision = "cairn sounds 1";

/// A sound is, or has in it, this recording.
struct HeardRecording {
    std::string recording; // as the tracks of releases have it
    double z = 0;          // how sure: sound/compare.h
    double offset = 0;     // seconds: where the sound begins in the recording; less than 0: before it
    double overlap = 0;    // seconds of both that are the same
    bool operator==(const HeardRecording&) const = default;
};

struct Heard {
    std::vector<std::vector<HeardRecording>> sounds; // for each that was asked about, the surest first
    std::vector<Release> releases;                   // that have these recordings
    bool operator==(const Heard&) const = default;
};

} // namespace moorfrost::reference
