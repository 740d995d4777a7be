// SPDX-License-Identifier: GPL-3.0-or-later
// Answers over the columns: which rows a query means, in which order, and how many of them have which value.
// Safe from several threads at once.
#pragma once

#include <map>
#include <mutex>
#include <stop_token>

#include "core/library/search/columns.h"
#include "core/library/search/query.h"

namespace moorfrost::library {

class WordCache;

struct SortBy {
    /// A key of a field, a column, or "@length", "@added", "@size", "@rate", "@bitrate".
    std::string column;
    bool ascending = true; // blanks come last either way
    bool operator==(const SortBy&) const = default;
};

struct FacetValue {
    std::string value; // as it goes into a query
    size_t count = 0;
    bool operator==(const FacetValue&) const = default;
};

class Searcher {
public:
    explicit Searcher(std::shared_ptr<const Columns> columns);
    ~Searcher();

    const Columns& columns() const { return *columns_; }
    /// After a stop the answer is of no use.
    RowSet find(const Query& query, std::stop_token stop = {}) const;

    /// The rows in order, sorted by the first, within the same by the next, at last by album, disc and track.
    /// `most`: no more than these.
    std::vector<Row> ordered(const RowSet& rows, const std::vector<SortBy>& by,
                             size_t most = static_cast<size_t>(-1)) const;

    /// The values of a field (or "decade", "year", "format", "codec"), the most frequent first (of decades
    /// and years the latest). For "missing": of each of `keys`, how many rows do not have it.
    std::vector<FacetValue> facet(const RowSet& rows, const std::string& key, size_t most = 100,
                                  const std::vector<std::string>& keys = {}) const;

    /// Of all rows, how many: to be shown beside a result.
    Row size() const { return columns_->size(); }

private:
    struct Order {
        std::vector<Row> rows;
        std::vector<uint32_t> places; // of each row
    };
    const RowSet& withField(const std::string& key) const;
    std::shared_ptr<const Order> order(const std::vector<SortBy>& by) const;
    RowSet term(const Term& term, std::stop_token stop) const;

    std::shared_ptr<const Columns> columns_;
    const std::unique_ptr<WordCache> words_;
    mutable std::mutex mutex_; // of what follows
    mutable std::map<std::string, std::unique_ptr<const RowSet>> filled_;
    mutable std::vector<std::pair<std::string, std::shared_ptr<const Order>>> orders_; // the last used first
};

} // namespace moorfrost::library
