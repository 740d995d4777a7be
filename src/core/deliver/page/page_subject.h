// SPDX-License-Identifier: GPL-3.0-or-later
// What a share page is about: its tracks, with nothing of the library that was not chosen. Gathered on the
// thread of the store; then values.
#pragma once

#include "core/deliver/page/page_layout.h"
#include "core/library/judging.h"
#include "core/library/store/store.h"

namespace moorfrost::deliver {

/// A sound on the page.
struct PageSound {
    std::string id;           // on the page: "1", "1.2"
    library::FileId file = 0; // not told on the page
    Path path;                // as is
    std::string name;         // "Lanterns"; of a version "Instrumental"
    std::string artist;
    std::string fileName; // for those who take it, without ending: "01 Lanterns (Instrumental)"
    double seconds = 0;
    bool isStem = false;
    std::vector<std::string> facts; // as they are told: "104 BPM"
    std::string lyrics;
    std::vector<library::Bookmark> marks; // of ours
};

struct PageTrack {
    PageSound lead;
    std::vector<PageSound> versions;
};

struct PageSubject {
    std::string title, artist;
    std::string forWhom, from, words;
    std::string date; // ISO 8601
    Path picture;     // a file of sound (with pictureHash) that has it; empty for none
    uint64_t pictureHash = 0;
    std::vector<PageTrack> tracks;
    std::vector<library::FileId> unknown; // files that are not in the library, or not there

    double seconds() const; // of all leads
    size_t versions() const;
    std::vector<const PageSound*> sounds() const; // of all, in order
};
inline constexpr size_t mostPageTracks = 1000;

/// `title`: "" where it is that of its tracks. `now`: seconds since 1970.
PageSubject pageSubject(library::Store& store, const PageLayout& layout,
                        const std::vector<library::FileId>& files, const std::string& title,
                        const std::string& forWhom, int64_t now);

} // namespace moorfrost::deliver
