// SPDX-License-Identifier: GPL-3.0-or-later
// Answers over the library: which rows a query means, in which order, and how many of them have which value.
// The library is columns that were made once, and, laid over them, what has changed since: a few rows that
// take the place of others. Safe from several threads at once.
#pragma once

#include <map>
#include <mutex>
#include <stop_token>

#include "core/library/search/columns.h"
#include "core/library/search/query.h"

namespace moorfrost::library {

class JointField;
class Layer;
class ReadinessTable;
class ReadyRows;

struct SortBy {
    /// A key of a field, a column, or "@length", "@added", "@size", "@rate", "@bitrate", "@ready".
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
    /// The same library with these files changed: they are as `now` tells, and no more where it does not. In
    /// place of what was laid over it before. What was worked out over the columns is shared.
    std::shared_ptr<const Searcher> with(const std::vector<FileId>& changed,
                                         std::shared_ptr<const Columns> now) const;

    /// The same library, in which it is known how far releases meet a standard (nullptr: it is not). What
    /// with() makes of it knows the same.
    std::shared_ptr<const Searcher> withReadiness(std::shared_ptr<const ReadinessTable> table) const;
    std::shared_ptr<const ReadinessTable> readiness() const;
    /// nullptr where nothing is known. What is not known is neither ready nor unready, and not counted.
    const ReadyRows* readyRows() const { return ready_.get(); }

    /// After a stop the answer is of no use.
    RowSet find(const Query& query, std::stop_token stop = {}) const;

    /// The rows in order, sorted by the first, within the same by the next, at last by album, disc and track.
    /// `most`: no more than these.
    std::vector<Row> ordered(const RowSet& rows, const std::vector<SortBy>& by,
                             size_t most = static_cast<size_t>(-1)) const;

    /// The values of a field (or "decade", "year", "format", "codec", "kind"), the most frequent first (of
    /// decades and years the latest). For "unmet" and "lacks": see ReadyRows. For "missing": of each of
    /// `keys`, how many rows do not have it.
    std::vector<FacetValue> facet(const RowSet& rows, const std::string& key, size_t most = 100,
                                  const std::vector<std::string>& keys = {}) const;

    /// Tracks of the library: to be shown beside a result.
    size_t count() const { return count_; }
    const RowSet& all() const { return alive_; }
    /// While memory is needed for something else. Searching goes on, slower at first.
    void giveBackMemory() const;
    /// What is laid over the columns tells sort forms otherwise: orders are not quite right until the columns
    /// are made anew.
    bool tellsOtherSortForms() const;
    /// How many rows are laid over the columns.
    size_t changed() const { return changed_; }
    /// Keys of fields that are not in the field table, in their order.
    std::vector<std::string> customFields() const;
    bool hasField(const std::string& key) const;

    // A row.
    std::optional<Row> rowOf(FileId id) const;
    FileId idOf(Row row) const;
    std::string text(Row row, std::string_view key) const;
    Path pathOf(Row row) const;
    double durationOf(Row row) const;  // seconds
    uint64_t sizeOf(Row row) const;    // bytes
    uint32_t bitrateOf(Row row) const; // bits per second
    bool has(Row row, RowFlag flag) const;
    /// All fields of the tags.
    tags::Fields fieldsOf(Row row) const;
    /// Lists of values as numbers, over all rows. Made when it is first asked for.
    const JointField& field(const std::string& key) const;

private:
    struct Order {
        std::vector<Row> rows;
        std::vector<uint32_t> places; // of each row
    };
    /// The columns that a row stands in, and where.
    std::pair<const Columns*, Row> at(Row row) const;
    Searcher(std::shared_ptr<const Layer> below, std::shared_ptr<const Layer> above, const RowSet& gone);
    Searcher(const Searcher& other, std::shared_ptr<const ReadinessTable> table);
    RowSet layersTerm(const Term& term, std::stop_token stop) const;
    std::vector<Row> replaced() const;
    RowSet notMatching(const Query& query, std::stop_token stop) const;
    RowSet matching(const Query& query, std::stop_token stop) const;
    std::vector<Row> orderedOf(const RowSet& rows, size_t most, const std::vector<Row>& order,
                               const std::vector<uint32_t>& places) const;
    std::shared_ptr<const Order> ownOrder(const std::vector<SortBy>& by) const;
    Order jointOrder(const std::vector<SortBy>& by) const;

    std::shared_ptr<const Layer> below_, above_; // above_: nullptr where nothing was changed
    Row start_ = 0;                              // where the rows above begin
    RowSet alive_;
    size_t count_ = 0, changed_ = 0;
    std::shared_ptr<const ReadyRows> ready_;
    mutable std::mutex mutex_; // of what follows
    mutable std::map<std::string, std::shared_ptr<const JointField>> fields_;
    mutable std::vector<std::pair<std::vector<SortBy>, std::shared_ptr<const Order>>> orders_;
};

} // namespace moorfrost::library
