// SPDX-License-Identifier: GPL-3.0-or-later
// Where a recording stands: the releases of its files, and those on whose tracks it was put without one. On
// the thread of the store.
#pragma once

#include "core/library/releases/release_view.h"

namespace moorfrost::library {

struct ReleasePlace {
    ReleaseRef ref;      // files: of the recording, where only these tell of the release
    std::string title;   // of the release
    std::string edition; // what tells it from others: "Gannet Row · GR 014 · 1998"; may be ""
    std::string carrier, date;
    std::string position; // of the track, as printed; with its medium where there are several: "2-A1"
    bool hasFile = false; // of the recording, on this release
    bool operator==(const ReleasePlace&) const = default;
};

/// The earliest first; each once. None for a file without an album that nobody put on a release.
std::vector<ReleasePlace> releasePlaces(Store& store, FileId file);

} // namespace moorfrost::library
