// SPDX-License-Identifier: GPL-3.0-or-later
// Small tables as comma-separated values (RFC 4180), read and written as a whole. Any thread.
#pragma once

#include "core/exchange/delimited.h"

namespace moorfrost::exchange {

/// The rows of a text in UTF-8 (a mark in front is left out); blank lines are left out, rows may be of
/// different lengths. The delimiter is what the first line has most of: comma, semicolon or tab. An Error
/// (Damaged) where a quote never ends, (Unsupported) where there are more than `mostRows` rows.
Result<std::vector<CsvRow>> readCsv(std::string_view text, size_t mostRows = 1000000);

/// A row with its line end. A cell that a spreadsheet could take for a formula (= + - @ in front) gets an
/// apostrophe in front, unless it is a number.
std::string csvLine(const CsvRow& row);

} // namespace moorfrost::exchange
