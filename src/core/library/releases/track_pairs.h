// SPDX-License-Identifier: GPL-3.0-or-later
// Which track of one edition is which of another: by the recording, by sound, by code, by name and length.
// Any thread.
#pragma once

#include <functional>
#include <vector>

#include "core/library/releases/release_view.h"

namespace moorfrost::library {

/// A track, as much of it as it is paired by.
struct PairedTrack {
    size_t medium = 0, number = 0; // in ReleaseView::media
    std::string title;
    int64_t lengthMs = 0; // 0: not known
    std::vector<std::string> isrcs;
    RecordingId recording = 0; // 0: not known
    FileId file = 0;           // the best; 0: none
};
std::vector<PairedTrack> tracksOf(const ReleaseView& view);
std::vector<PairedTrack> tracksOf(const reference::Release& release);

struct TrackPair {
    enum class Why { SameRecording, Sound, Code, NameAndLength, Name };
    size_t a = 0, b = 0; // places in the two lists
    Why why = Why::Name;
    bool certain = false; // so that it may be taken without looking: never by a name alone
    double sure = 0;      // 0 to 1
    int64_t apartMs = 0;  // b minus a; 0 where a length is not known
    bool operator==(const TrackPair&) const = default;
};

/// `soundAlike`: how sure two files have the same sound (sound/compare.h), 0: not known or not the same; may
/// be empty. Each track is in one pair at most; in the order of `a`.
std::vector<TrackPair> pairTracks(const std::vector<PairedTrack>& a, const std::vector<PairedTrack>& b,
                                  const std::function<double(FileId, FileId)>& soundAlike = {});

} // namespace moorfrost::library
