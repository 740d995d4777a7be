// SPDX-License-Identifier: GPL-3.0-or-later
// What the files of a sleeve tell of the release that they may be: from tags, names of files and folders,
// lengths. Prepared once, then compared with many releases. Any thread.
#pragma once

#include "core/matching/sleeves.h"
#include "core/reference/question.h"
#include "core/sound/compare.h"
#include "core/text/likeness.h"

namespace moorfrost::matching {

/// What the sound of a file was found to be.
struct HeardAs {
    std::string recording; // with the key of the reference that has it: "cairn/r-701"
    double z = 0;          // sound/compare.h
    double offset = 0;     // seconds: where the file begins in the recording
    double overlap = 0;    // seconds that are the same
    double speed = 1;      // how fast it plays beside the recording
    bool isSure() const { return z >= sound::surely; }
};

struct FileClues {
    int64_t id = 0;
    std::vector<HeardAs> heard = {};    // the surest first; none: nobody was asked, or nobody knew it
    std::vector<text::Likened> titles;  // what it may be called, the most trusted first
    std::vector<text::Likened> artists; // whose it may be
    int disc = 0, track = 0;            // 0: not known
    int64_t lengthMs = 0;               // 0: not known
    std::vector<std::string> isrcs;     // plain
    bool titleOfTag = false;            // the first title is a tag's, not read from a name
};

struct SleeveClues {
    std::vector<FileClues> files;             // in the order in which they are listened to
    std::vector<std::string> artists, albums; // as they are spelled, the most trusted first
    std::vector<text::Likened> artistForms, albumForms;
    std::string label, catalogueNumber, barcode;
    std::string carrier; // "CD", "Vinyl", "Cassette": where names or numbers of tracks tell it
    int year = 0;
    bool compilation = false;
    /// "cairn:night-post-cd": what an earlier match left in the tags.
    std::vector<std::string> referenceNumbers;

    /// What to ask a reference for: by all that is known.
    reference::Question byEverything() const;
    /// Names of tracks and lengths alone: where names of artist and album mislead.
    reference::Question byTracks() const;
    /// By codes alone; empty where there are none.
    reference::Question byCodes() const;
};

/// The field in which the number of the release in a reference is kept: "cairn:night-post-cd".
inline constexpr const char* referenceNumberField = "reference release";

/// `files`: as the sleeve has them; fields with drafts put in.
SleeveClues cluesOf(const std::vector<SleeveInput>& files);

} // namespace moorfrost::matching
