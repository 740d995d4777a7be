// SPDX-License-Identifier: GPL-3.0-or-later
// A sheet of rows, written by a layout. Streamed: memory does not grow with the rows.
#pragma once

#include <stop_token>

#include "core/deliver/rows/row_layout.h"
#include "core/library/store/store.h"
#include "core/work/progress.h"

namespace moorfrost::deliver {

struct RowsWritten {
    size_t rows = 0;
    size_t unknown = 0;  // files that the library does not know (any more)
    size_t replaced = 0; // characters that the encoding does not have
    size_t cut = 0;      // texts that were too long for a cell of a workbook
    uint64_t bytes = 0;
    /// In words, what a person is to know of it; "" where all is well.
    std::string trouble() const;
};

/// What is there already is replaced as a whole or not at all. An Error (Cancelled) after a stop. `store`: a
/// connection of its own.
Result<RowsWritten> writeRows(library::Store& store, const RowLayout& layout,
                              const std::vector<library::FileId>& files, const Path& target,
                              std::stop_token stop, work::Progress& progress);
/// As text, for small ones.
Result<std::string> rowsText(library::Store& store, const RowLayout& layout,
                             const std::vector<library::FileId>& files);

} // namespace moorfrost::deliver
