// SPDX-License-Identifier: GPL-3.0-or-later
// Files of the library by what they are called elsewhere: by name and folders, or by title with artist or
// length; each with the evidence. What is wanted is told first, then the library is gone through once. On the
// thread of the store.
#pragma once

#include <stop_token>
#include <unordered_map>

#include "core/library/store/store.h"

namespace moorfrost::library {

class NameMatch {
public:
    explicit NameMatch(Store& store) : store_(store) {}
    /// `place`: a path of any system, or a name. The ending of the name does not count: an MP3 stands for the
    /// FLAC of today.
    void wantName(std::string_view place);
    void wantTitle(std::string_view title);
    void collect(std::stop_token stop = {});

    struct Found {
        FileId file = 0; // 0: none that is sure enough
        bool sameFolders = false;
        std::string told;               // a sentence: why this one, or why none; "" where nothing is like it
        std::vector<FileId> candidates; // where several are as likely; the first ones
    };
    /// `seconds`: 0 where the length is not told. The same name alone is not enough: many a file is called
    /// "01".
    Found byName(std::string_view place, double seconds);
    /// The artist or the length must be the same.
    Found byTitle(std::string_view title, std::string_view artist, double seconds);

private:
    /// What may be meant, of the files that have a wanted name or title.
    struct Candidate {
        FileId id = 0;
        std::string path, title, artist; // folded
        double seconds = 0;
        bool absent = false;
    };
    using ByText = std::unordered_map<std::string, std::vector<Candidate>>;
    struct Best {
        std::vector<const Candidate*> all;
        int rank = 0;
    };
    template<class Rank>
    static Best bestOf(const std::vector<Candidate>& from, Rank rank);
    Found choose(const Best& best, const std::string& told);

    Store& store_;
    ByText byStem_, byTitle_; // folded
};

} // namespace moorfrost::library
