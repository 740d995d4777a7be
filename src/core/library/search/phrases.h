// SPDX-License-Identifier: GPL-3.0-or-later
// Rows of the library in which a field holds a phrase, without writing a query by hand. Any thread.
#pragma once

#include "core/library/search/searcher.h"

namespace moorfrost::library {

/// In the order of the library; at most `most`. None for an empty phrase.
std::vector<Row> rowsWith(const Searcher& searcher, const std::string& key, std::string phrase, size_t most);

} // namespace moorfrost::library
