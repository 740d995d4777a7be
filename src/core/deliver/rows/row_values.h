// SPDX-License-Identifier: GPL-3.0-or-later
// What the columns of a layout say of files of the library. On the thread of the store.
#pragma once

#include <unordered_map>

#include "core/deliver/rows/row_layout.h"
#include "core/library/people/people.h"
#include "core/library/store/store.h"

namespace moorfrost::deliver {

class RowValues {
public:
    /// `layout` and `store` outlive it.
    RowValues(library::Store& store, const RowLayout& layout);

    /// Of the next files, in this order; of those that are not known nothing is told. Rows are counted on.
    struct Row {
        library::FileId file = 0;
        std::vector<std::vector<std::string>> values; // of each part of each column, in order
    };
    /// Calls `each` for every file; false ends it.
    void each(const std::vector<library::FileId>& files, const std::function<bool(Row&& row)>& each);
    /// The cells of a row, as text; as many as headingsOf(layout).
    exchange::CsvRow cells(const Row& row) const;
    /// What the parts of one column say, joined as it asks.
    std::string joined(const RowColumn& column, const std::vector<std::vector<std::string>>& parts,
                       bool firstOnly) const;

private:
    using Strings = std::vector<std::string>;
    Strings valuesOf(const library::FileRecord& file, const tags::Fields& fields, const RowColumn& column,
                     const std::string& key);
    Strings factOf(const library::FileRecord& file, const RowColumn& column, std::string_view key);
    Strings worksFact(const library::FileRecord& file, std::string_view key);
    std::string placeOf(const library::FileRecord& file) const;
    const library::Facts& card(library::CardId id);
    Strings shares(const Strings& kept);

    library::Store& store_;
    const RowLayout& layout_;
    std::map<library::FileId, std::map<std::string, library::Draft>> drafts_;
    std::map<int64_t, std::string> shelves_;
    std::unordered_map<library::CardId, library::Facts> cards_;
    size_t row_ = 0;
};

/// The headings and the first rows, as they will stand in the file.
struct RowsPreview {
    std::vector<std::string> headings;
    std::vector<exchange::CsvRow> rows;
    size_t files = 0; // of all
};
RowsPreview rowsPreview(library::Store& store, const RowLayout& layout,
                        const std::vector<library::FileId>& files, size_t most);

} // namespace moorfrost::deliver
