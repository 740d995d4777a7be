// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the module: the cells of one row as what they say, by key of a column. Any thread.
#pragma once

#include "core/deliver/rows/rows_in.h"

namespace moorfrost::deliver {

struct RowSays {
    tags::Fields says; // empty values: the cell is blank, and that counts
    std::string told;  // sentences: what was not understood and is left out
};
RowSays rowSays(const RowsInPlan& plan, const exchange::CsvRow& cells);

/// The path that a row tells, on this machine; "" where it tells none. `elsewhere`: as it stands there, where
/// it can be none of this machine.
Path placeOfRow(const RowsInPlan& plan, const tags::Fields& says, std::string& elsewhere);

/// Codes as they are compared: without spaces and hyphens, in capitals.
std::string comparedCode(std::string_view code);
/// Whether both mean the same: numbers by value, codes without hyphens.
bool sameValues(std::string_view key, const std::vector<std::string>& a, const std::vector<std::string>& b);
/// The name under which the library keeps what a column says; "" for other columns.
std::string keptNameOf(std::string_view key);

} // namespace moorfrost::deliver
