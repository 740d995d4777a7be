// SPDX-License-Identifier: GPL-3.0-or-later
// The rows of the library as releases: copies and editions apart. Two copies stand in two folders; two
// editions may stand in one; plans scatter a compilation over the folders of its artists. Any thread.
#pragma once

#include "core/library/search/searcher.h"

namespace moorfrost::library {

/// Of each release its rows, in the order of listening; absent files, too. Rows without an album are of none.
/// In the order in which tracks are sorted. After a stop of no use.
std::vector<std::vector<Row>> rowsByRelease(const Searcher& library, std::stop_token stop = {});

} // namespace moorfrost::library
