// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the search: columns with what has been worked out over them. Safe from several threads at once.
#pragma once

#include <map>
#include <mutex>
#include <stop_token>

#include "core/library/search/columns.h"
#include "core/library/search/find_term.h"
#include "core/library/search/searcher.h"

namespace moorfrost::library {

/// The text by which a list of values is sorted, as bytes that compare as it does. `text`: its values, "; "
/// between them; `form`: the sort form that its file tells, "" for none.
std::string sortKeyOfList(std::string_view field, const std::string& text, const std::string& form);

class Layer {
public:
    explicit Layer(std::shared_ptr<const Columns> columns) : columns_(std::move(columns)) {}

    const Columns& columns() const { return *columns_; }
    RowSet term(const Term& term, std::stop_token stop) const;
    /// The rows that have the field, or a "picture".
    const RowSet& withField(const std::string& key) const;

    struct Order {
        std::vector<Row> rows;
        std::vector<uint32_t> places; // of each row in `rows`
    };
    std::shared_ptr<const Order> order(const std::vector<SortBy>& by) const;
    /// Made anew each time: by readiness, which is not of these columns (nullptr: not known).
    Order orderWith(const std::vector<SortBy>& by, const ReadyRows* ready) const;
    /// A number that sorts rows as a column does that is no field: "@length" and the like.
    uint32_t factOf(Row row, std::string_view column) const;

    /// Of a field: its lists but blank, in their order, and of each list the sort key it stands there by.
    struct ListOrder {
        std::vector<uint32_t> lists;
        std::vector<uint32_t> forms; // list of the sort form's field that counts; empty where there is none
    };
    const ListOrder& listOrder(const std::string& key) const;
    std::string sortKeyOf(const std::string& key, uint32_t list) const;

private:
    std::shared_ptr<const Columns> columns_;
    mutable WordCache words_;
    mutable std::mutex mutex_; // of what follows
    mutable std::map<std::string, std::unique_ptr<const RowSet>> filled_;
    mutable std::map<std::string, std::unique_ptr<const ListOrder>> listOrders_;
    mutable std::vector<std::pair<std::string, std::shared_ptr<const Order>>> orders_; // the last used first
};

/// Whether the column is none of the fields but told by the file itself.
bool isFactColumn(std::string_view column);

} // namespace moorfrost::library
