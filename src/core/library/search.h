// SPDX-License-Identifier: GPL-3.0-or-later
// Search as you type over all text of the files: every word of the query must be in it somewhere, ignoring
// case and diacritics. The index is immutable; build a new one when the library changes.
#pragma once

#include <memory>
#include <string>
#include <string_view>
#include <vector>

#include "core/library/records.h"

namespace moorfrost::library {

class SearchIndex {
public:
    explicit SearchIndex(const std::vector<std::shared_ptr<const FileRecord>>& files);

    /// Positions in the list that the index was built from, ascending. A blank query gives all.
    std::vector<size_t> search(std::string_view query) const;
    size_t size() const { return starts_.empty() ? 0 : starts_.size() - 1; }

private:
    std::string text_;           // folded, one record after the other
    std::vector<size_t> starts_; // of each record in text_, and the end
};

} // namespace moorfrost::library
