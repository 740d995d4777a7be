// SPDX-License-Identifier: GPL-3.0-or-later
// Recordings without an ISRC, and where one may come from: references, another file of the same recording, or
// a number of one's own. Nothing is written here: what is taken becomes drafts.
#pragma once

#include "core/library/drafts.h"
#include "core/library/search/searcher.h"
#include "core/library/store/store.h"
#include "core/matching/listening.h"
#include "core/work/progress.h"

namespace moorfrost::library {

struct CodeGap {
    RecordingId recording = 0;
    std::vector<FileId> files; // of the recording that have none, rising
    std::string title, artist, album, label;
    double seconds = 0; // 0: not known
};

/// What speaks for a code.
struct CodeCandidate {
    std::string isrc;
    std::string source;                // for people: "Cairn: Night Post EP, 1998"
    std::vector<std::string> evidence; // sentences
    bool fits = false;                 // in one edition at least nothing speaks against it
    bool confirmed = false;            // its sound was heard, and is the recording's
    std::string refused;               // a sentence: why it is not to be taken; "" where it may
};

/// Gaps of the whole library, in the order of releases: of what is music and there. A recording of which
/// another file has one is a gap, too.
std::vector<CodeGap> codeGaps(Store& store, const Searcher& searcher);
/// Files that belong together, one release after the other.
using ReleaseFiles = std::vector<std::vector<FileId>>;
/// Gaps of these releases, wherever their files lie, in their order: as the files will be when their drafts
/// are written, but for the codes.
std::vector<CodeGap> codeGaps(Store& store, const ReleaseFiles& releases);

struct CodeAnswer {
    CodeGap gap;
    std::vector<CodeCandidate> candidates; // the best first
    bool isSure() const;                   // one code alone, and nothing speaks against it
};

/// Asks for all of them, release by release: the releases of the library, or (where there are any) these.
/// `printsOf`: may be empty, then nothing is confirmed by its sound. `told` gets each answer as it comes.
/// Errors of references are told once each.
std::vector<Error> lookUpCodes(Store& store, const Searcher& searcher, const std::vector<CodeGap>& gaps,
                               const std::vector<reference::Reference*>& references,
                               const matching::PrintsOf& printsOf, std::stop_token stop,
                               work::Progress& progress, const std::function<void(CodeAnswer&&)>& told,
                               const ReleaseFiles& releases = {});

} // namespace moorfrost::library
