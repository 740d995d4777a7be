// SPDX-License-Identifier: GPL-3.0-or-later
// A release as it is shown: what a person or a reference said of it (store/release_table), and where nobody
// said anything, what the tags of its files tell. Every fact has its origin.
#pragma once

#include "core/library/releases/facts.h"
#include "core/library/store/store.h"

namespace moorfrost::library {

/// A release that is kept has a number; one that only its files tell of is known by these.
struct ReleaseRef {
    ReleaseId id = 0;
    std::vector<FileId> files; // of it
    bool operator==(const ReleaseRef&) const = default;
};

/// The origin of facts that nobody entered.
inline constexpr const char* readFromFiles = "read from the files";

struct TrackView {
    reference::Track printed;
    RecordingId recording = 0;     // 0: not known
    std::vector<FileId> files;     // of the recording: those of this release first, then the better ones
    size_t ownFiles = 0;           // how many of these are of this release
    std::vector<ReleaseId> alsoOn; // other releases that are kept, on which the recording stands
    bool operator==(const TrackView&) const = default;
};

struct MediumView {
    std::string carrier, title;
    std::vector<int64_t> discTable;
    std::vector<TrackView> tracks;
    bool fromFiles = false; // its tracks are told by tags
    bool operator==(const MediumView&) const = default;
};

struct ReleasePicture {
    tags::PictureInfo info;
    FileId holder = 0; // a file that has it; 0: it was added to the release, and is kept beside the library
};

struct ReleaseView {
    ReleaseRef ref;
    reference::Release release; // all of it, tracks too; Track::recording is our number, or ""
    Facts facts;                // where each fact comes from; those that are known to be none, too
    std::vector<MediumView> media;
    ReleaseId set = 0; // 0: it stands alone
    std::vector<ReleaseSource> sources;
    std::vector<ReleasePicture> pictures; // by type
    /// Where tags of its files say something else than what is kept: by fact, as the tags have it.
    std::map<std::string, std::vector<std::string>, std::less<>> otherInFiles;
    std::vector<FileId> unplaced; // files of it that are no track of it

    size_t missing() const; // tracks without a file
};

/// A release whose number is not kept any more is told by its files, if there are any.
ReleaseView releaseView(Store& store, const ReleaseRef& ref);

/// A file, as much of it as a release is told by.
struct FileOfRelease {
    FileId id = 0;
    RecordingId recording = 0;
    tags::Fields fields;
    double seconds = 0;
};
/// What the tags of these say: of each fact what most of them say, of each disc its tracks in order. A track
/// whose number is missing between others, or below the total that they tell, is there without a title.
struct ToldByFiles {
    reference::Release release;
    std::vector<MediumView> media; // files: only those that were given
};
ToldByFiles toldByFiles(const std::vector<FileOfRelease>& files);

} // namespace moorfrost::library
