// SPDX-License-Identifier: GPL-3.0-or-later
// How what is being typed could go on: names of fields, and the values that the library has.
#pragma once

#include "core/library/search/searcher.h"

namespace moorfrost::library {

struct Suggestion {
    std::string text; // takes the place of bytes `from` to `to` of the query
    std::string shown;
    size_t count = 0; // of tracks, for values
    size_t from = 0, to = 0;
};

/// `cursor`: in bytes. Values that begin with what is typed come first, then those that hold it.
std::vector<Suggestion> suggest(const Searcher& searcher, const std::string& query, size_t cursor,
                                size_t most = 10);

} // namespace moorfrost::library
