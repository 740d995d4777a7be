// SPDX-License-Identifier: GPL-3.0-or-later
// What is ripped, and where to, when nothing else is known of a disc than what it says itself; and the
// reports beside the files.
#pragma once

#include "core/disc/rip.h"

namespace moorfrost::disc {

/// What the disc says of a track (0: of the disc), as fields: title, artist, album, album artist, track,
/// tracks, genre, ISRC, barcode. Texts all in capitals, as discs have them, stay as they are.
tags::Fields fieldsOf(const Toc& toc, const CdText& text, int track);

/// What is before track 1 is offered as track 0 where it is longer than this.
inline constexpr int32_t worthATrack = sectorsPerSecond;

/// All tracks with sound, what is before the first of them as track 0, as "NN Title" in a folder of its own
/// in `into`: by artist and album, or `name` where the disc does not say. Names suit all systems.
RipPlan usualPlan(const Toc& toc, const CdText& text, const Path& into, const std::string& format,
                  const std::string& name);

/// The report of a rip that went on where an earlier one had ended.
RipReport together(const std::vector<TrackReport>& earlier, RipReport report);

/// The files that tell of a rip, beside what was ripped.
struct ReportFiles {
    Path text, json, sheet; // "disc report.txt", "disc report.json", "disc.cue"
    bool isEmpty() const { return text.empty(); }
};
/// Their names in a folder, with a number where one of them is taken.
ReportFiles placeForReports(const Path& folder);
/// In the place of what is there; nothing where no track is a file.
Status keepReports(const RipReport& report, const ReportFiles& files);

} // namespace moorfrost::disc
