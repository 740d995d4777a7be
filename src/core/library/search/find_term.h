// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the search: the rows that one term of a query means.
#pragma once

#include <memory>
#include <mutex>
#include <stop_token>

#include "core/library/search/columns.h"
#include "core/library/search/query.h"

namespace moorfrost::library {

/// The rows of the words that were asked for last: of a query that grows letter by letter, all words but one
/// are known. Any thread.
class WordCache {
public:
    std::shared_ptr<const RowSet> find(std::string_view word);
    std::shared_ptr<const RowSet> keep(std::string_view word, RowSet rows);

private:
    static constexpr size_t most = 12;
    std::mutex mutex_;
    std::vector<std::pair<std::string, std::shared_ptr<const RowSet>>> kept_; // the last used first
};

/// Words anywhere: every word of the text is in some word of the row.
RowSet rowsWithWords(const Columns& columns, const Term& term, std::stop_token stop, WordCache& cache);
/// A field that holds text, a number or a date; also "year" and "decade".
RowSet rowsByField(const Columns& columns, const Term& term, std::stop_token stop, WordCache& cache);
/// What is not a field of the tags: length, added, size, rate, channels, bits, bitrate, is.
RowSet rowsByFacts(const Columns& columns, const Term& term);

/// Whether a number is what is wanted.
bool fitsNumber(const Wanted& wanted, double value);
/// The year of a date, 0 if it tells none.
int yearOf(std::string_view date);

} // namespace moorfrost::library
