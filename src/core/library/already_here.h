// SPDX-License-Identifier: GPL-3.0-or-later
// Whether a release, or its recordings, stand on a shelf already. On the thread of the store.
#pragma once

#include "core/library/search/searcher.h"
#include "core/library/store/store.h"
#include "core/reference/release.h"

namespace moorfrost::library {

struct AlreadyHere {
    enum class What {
        Nothing,
        Recordings,   // some of the same, by their codes, on something else
        Release,      // an album of the same name by the same artist; which edition is not told
        OtherEdition, // and it is another one than this
        Edition,      // this one, by its numbers
    };
    What what = What::Nothing;
    size_t files = 0;         // that there are
    size_t tracks = 0;        // of the release that they stand for
    int quality = 0;          // theirs beside those that are compared: -1 worse, 0 alike or mixed, 1 better
    FileId first = 0;         // one of them
    std::string edition = {}; // what its tags say of it: "2011-03-21, FSR 207"
};

/// `files`: those that are to be the release; they themselves are not counted. `referenceNumber`: as it is
/// left in tags. `toldByLibrary`: the tracks of the release are files of the library.
AlreadyHere whatIsHere(Store& store, const Searcher& searcher, const std::vector<FileRecord>& files,
                       const reference::Release& release, const std::string& referenceNumber,
                       bool toldByLibrary = false);

} // namespace moorfrost::library
