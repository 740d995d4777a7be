// SPDX-License-Identifier: GPL-3.0-or-later
// What is found out when a disc is ripped: whether others have read the same, and whether it sounds like the
// release that was chosen.
#pragma once

#include <functional>
#include <stop_token>

#include "core/disc/rip.h"
#include "core/reference/reference.h"
#include "core/sound/fingerprint.h"

namespace moorfrost::disc {

/// Puts into each track how many have read the same, by their checksums. Only where the drive's offset was
/// corrected, or is none, can these be the same.
void compareReadings(RipReport& report, const reference::Medium& known);

/// What one track sounds like.
struct HeardTrack {
    int number = 0;
    enum class As { Unheard, Unknown, Chosen, Other } as = As::Unheard;
    std::string other;            // title of what it sounds like, where that is something else
    std::vector<int64_t> library; // files of the library with this sound, the surest first
};

/// Listens to the files of the report. `chosen`: what they should be, of the reference with this key;
/// nullptr: nothing was chosen. `printsOf`: the fingerprint of a file. References that do not answer are left
/// out. Waits.
std::vector<HeardTrack> listenToRip(const RipReport& report, const reference::Medium* chosen,
                                    const std::string& chosenKey,
                                    const std::vector<reference::Reference*>& references,
                                    const std::function<Result<sound::Fingerprint>(const Path&)>& printsOf,
                                    std::stop_token stop);

/// For people and the report: "By sound, 4 of 4 tracks are what was chosen."; "" where nobody knows any.
std::string sentenceOf(const std::vector<HeardTrack>& heard);

} // namespace moorfrost::disc
