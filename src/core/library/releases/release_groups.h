// SPDX-License-Identifier: GPL-3.0-or-later
// The files of the library as the releases that they are of: those that are kept, and those that only files
// tell of. Any thread.
#pragma once

#include <map>
#include <stop_token>
#include <string>
#include <vector>

#include "core/library/releases/release_view.h"
#include "core/library/search/searcher.h"

namespace moorfrost::library {

/// What the store keeps of releases, all of it.
struct KeptReleases {
    std::map<ReleaseId, Facts> facts; // of all that are kept; empty where nothing is said
    std::map<ReleaseId, std::map<int, std::vector<KeptTrack>>> tracks;
    std::map<FileId, ReleaseId> files;
    /// Of the recordings that stand on kept tracks, a file: the first.
    std::map<RecordingId, FileId> fileOf;
};
KeptReleases keptReleases(Store& store);

struct ReleaseGroups {
    std::map<ReleaseId, std::vector<Row>> kept; // of every release that is kept; none: it has no files
    std::vector<std::vector<Row>> told;
};
/// After a stop of no use.
ReleaseGroups releaseGroups(const Searcher& library, const KeptReleases& kept, std::stop_token stop = {});

/// The number that files get in their tags when they were found to be this release, of which there were none
/// yet: by it they are of the release from then on.
std::string numberInTags(ReleaseId release);
/// 0: it is no such number.
ReleaseId releaseOfNumber(const std::string& number);

} // namespace moorfrost::library
