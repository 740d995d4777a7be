// SPDX-License-Identifier: GPL-3.0-or-later
// Asking references what files are by their sound, at the speed at which they play and, where nobody knows
// them so, at others: tapes and records run fast and slow. The calls wait, so they belong into jobs.
#pragma once

#include <functional>
#include <stop_token>

#include "core/matching/identify.h"

namespace moorfrost::matching {

/// Fingerprints of a file (FileClues::id), one for each speed.
using PrintsOf =
    std::function<Result<std::vector<sound::Fingerprint>>(int64_t file, const std::vector<double>& speeds)>;

struct Listened {
    std::vector<Told> releases; // that have what was heard
    std::vector<Error> errors;  // of references; of files that cannot be decoded
};

/// Puts what is heard into clues.files[].heard.
Listened listen(SleeveClues& clues, const std::vector<reference::Reference*>& references,
                const PrintsOf& printsOf, std::stop_token stop);

/// By names and codes; where that leads to nothing likely, or `always`, by sound, too. Without `printsOf`:
/// not by sound.
enum class ByEar { WhereNamesFail, Always };
Identified identifyByAll(SleeveClues& clues, const std::vector<reference::Reference*>& references,
                         const PrintsOf& printsOf, ByEar when, std::stop_token stop);

/// What is tried where nobody knows a sound as it is: up to so much faster and slower, in such steps.
inline constexpr double mostSpeedError = 0.045, speedStep = 0.005;
/// "plays 1.5 % fast" is worth telling from here on.
inline constexpr double speedWorthTelling = 0.0025;
/// The field that says how fast a file plays beside the recording that it is: "1.5 % fast". The sound stays.
inline constexpr const char* speedField = "transfer speed";
/// "" where it is worth no word.
std::string speedText(double speed);

/// The speed at which a file plays beside the recording that this track is; 1 where that is not known.
double speedOf(const FileClues& file, const std::string& recording);

} // namespace moorfrost::matching
