// SPDX-License-Identifier: GPL-3.0-or-later
// All releases of the library, as a list: those that are kept, and those that only files tell of. Made once
// for one state of the library, in the background; immutable, any thread.
#pragma once

#include <memory>
#include <stop_token>
#include <unordered_map>

#include "core/library/releases/release_groups.h"
#include "core/library/search/searcher.h"

namespace moorfrost::library {

struct ReleaseEntry {
    ReleaseRef ref;
    std::string title, artist;
    std::string label, number; // the first
    std::string barcode, date, country, carrier, edition;
    size_t tracks = 0;            // places, with those that are missing as far as that is kept
    int64_t lengthMs = 0;         // 0: not known
    ReleaseId set = 0;            // 0: it stands alone
    std::vector<ReleaseId> apart; // kept apart from these
    FileId cover = 0;             // a file with a picture; 0: none
    tags::PictureInfo picture;    // that was added to it, and goes before that; hash 0: none
    std::vector<std::pair<std::string, int64_t>>
        titles;           // of its tracks, folded, with lengths in ms (0: not known)
    std::string searched; // folded: all that is searched
};

enum class ReleaseOrder { Title, Artist, Date, Label };

class ReleaseList {
public:
    /// `library`: nullptr where nothing is known of files yet. nullptr after a stop.
    static std::shared_ptr<const ReleaseList> make(std::shared_ptr<const Searcher> library,
                                                   const KeptReleases& kept, std::stop_token stop = {});

    const std::vector<ReleaseEntry>& entries() const { return entries_; }
    /// SIZE_MAX where there is none.
    size_t find(const ReleaseRef& ref) const;
    size_t ofFile(FileId file) const;
    /// Editions of the same set, with itself, the earliest first.
    std::vector<size_t> editionsOf(size_t entry) const;
    size_t sets() const { return sets_.size(); }

    /// A line of the list: a release, or the head of a set with how many of its editions are found.
    struct Line {
        size_t entry = 0;
        bool isHead = false; // of a set: the entry is its first edition
        bool inSet = false;
        size_t editions = 0; // of a head
        bool operator==(const Line&) const = default;
    };
    /// Those in which every word is found; the editions of a set one below the other, all of them where one
    /// is found.
    std::vector<Line> lines(std::string_view words, ReleaseOrder order) const;

private:
    std::vector<ReleaseEntry> entries_;
    std::unordered_map<ReleaseId, size_t> byId_;
    std::unordered_map<FileId, size_t> byFile_;
    std::map<ReleaseId, std::vector<size_t>> sets_;
    std::vector<uint32_t> places_[4]; // of each entry, by each order
};

} // namespace moorfrost::library
