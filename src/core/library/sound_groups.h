// SPDX-License-Identifier: GPL-3.0-or-later
// Files of the shelves that sound the same, whatever they are called and however they are encoded: each is
// looked for in the index of all (sound/store), so that a library of n files costs n questions.
#pragma once

#include <functional>
#include <set>
#include <stop_token>

#include "core/library/search/searcher.h"
#include "core/library/store/store.h"
#include "core/matching/listening.h"
#include "core/sound/store.h"
#include "core/work/progress.h"

namespace moorfrost::library {

/// Two files with the same sound in them.
struct SoundLink {
    FileId one = 0, other = 0;
    double z = 0;       // how sure: sound/compare.h
    double offset = 0;  // seconds: the beginning of `one` is there in `other`; less than 0: before it
    double overlap = 0; // seconds that are the same
    double speed = 1;   // how fast `one` plays beside `other`
};

enum class SoundGroupKind {
    SameRecording, // the same from the beginning to the end
    OtherVersion,  // one is longer than the other by more than silence: an edit, an excerpt
    CodesDisagree, // one sound with two ISRCs
    SameCode,      // one ISRC on sounds that are not the same
};

struct SoundGroup {
    SoundGroupKind kind = SoundGroupKind::SameRecording;
    std::vector<FileId> files;    // the best first (library/recordings)
    std::vector<SoundLink> links; // why they are together; none for SameCode
    double z = 0;                 // of the weakest link that holds it together; 0 without links
};

struct SoundGroups {
    std::vector<SoundGroup> groups; // the surest first
    size_t compared = 0;            // files whose sound is known
    size_t unheard = 0;             // files on shelves whose sound is not known (yet)
};

/// Pairs that a person has told apart: they are not put together by themselves. The lesser number first.
using ToldApart = std::set<std::pair<FileId, FileId>>;
/// What is kept of a recording that was told apart: the numbers of files.
inline constexpr const char* toldApartField = "sounds otherwise than";
/// Among these files. On the thread of the store.
ToldApart toldApart(Store& store, const std::vector<FileId>& files);

/// `printsOf` (may be empty) listens to files that are said to run fast or slow, or that are called like
/// another one and yet sound otherwise, at other speeds. An Error (Cancelled) after a stop.
Result<SoundGroups> findSoundGroups(sound::SoundStore& sounds, const Searcher& searcher,
                                    const ToldApart& apart, const matching::PrintsOf& printsOf,
                                    std::stop_token stop, work::Progress& progress);

/// How one file lies over another, from what is kept of both; z 0: not at all.
SoundLink linkBetween(sound::SoundStore& sounds, FileId one, FileId other);

} // namespace moorfrost::library
