// SPDX-License-Identifier: GPL-3.0-or-later
// What the columns of a layout say of files of the library. On the thread of the store, where nothing else is
// said.
#pragma once

#include <functional>
#include <span>
#include <unordered_map>

#include "core/deliver/rows/row_layout.h"
#include "core/library/people/people.h"
#include "core/library/store/store.h"

namespace moorfrost::deliver {

/// A file as it was taken out of the store: what a row says of it can be worked out on another thread.
struct RowSource {
    library::FileId file = 0;
    size_t number = 0;               // of the row, from 1
    std::string path, content, kept; // as library::PackedRecord has them
    uint64_t size = 0;               // bytes
    int64_t modifiedNs = 0, shelf = 0, added = 0;
    const std::map<std::string, library::Draft>* drafts = nullptr; // that count
    std::vector<std::vector<std::string>> asked; // what only the store knows, in the order of the parts
};

class RowValues {
public:
    using Strings = std::vector<std::string>;
    /// What each part of each column says, in order.
    using Parts = std::vector<Strings>;

    /// `layout` and `store` outlive it.
    RowValues(library::Store& store, const RowLayout& layout);

    /// Of the next files, in this order; of those that are not known nothing is told. Rows are counted on.
    /// Calls `each` for every file; false ends it.
    void each(const std::vector<library::FileId>& files, const std::function<bool(RowSource&& row)>& each);

    // Any thread, as long as the values live:
    Parts parts(const RowSource& row) const;
    /// The cells of a row, as text; as many as headingsOf(layout).
    exchange::CsvRow cells(const RowSource& row) const;
    /// What the parts of one column say, joined as it asks.
    static std::string joined(const RowColumn& column, std::span<const Strings> parts, bool firstOnly);

private:
    class OfFile;
    Strings askedOf(library::FileId file, const std::string& key);
    const library::Facts& card(library::CardId id);
    Strings shares(const Strings& kept);

    library::Store& store_;
    const RowLayout& layout_;
    std::vector<std::string> asked_; // keys of parts that only the store knows, each as often as it stands
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
