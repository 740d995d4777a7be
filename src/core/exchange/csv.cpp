// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/exchange/csv.h"

#include <algorithm>

#include <fmt/format.h>

namespace moorfrost::exchange {

namespace {

char delimiterOf(std::string_view text) {
    const std::string_view first = text.substr(0, std::min(text.find_first_of("\r\n"), text.size()));
    char best = ',';
    for (const char c : {';', '\t'})
        if (std::ranges::count(first, c) > std::ranges::count(first, best))
            best = c;
    return best;
}

} // namespace

Result<std::vector<CsvRow>> readCsv(std::string_view text, size_t mostRows) {
    Dialect dialect;
    dialect.delimiter = delimiterOf(text);
    std::vector<CsvRow> out;
    auto reader = DelimitedReader::of(dialect, [&](size_t, CsvRow&& row) {
        out.push_back(std::move(row));
        return out.size() <= mostRows;
    });
    if (!reader)
        return reader.error();
    if (const Status read = (*reader)->read(text); !read)
        return read.error();
    if (out.size() > mostRows)
        return Error{ErrorKind::Unsupported, {}, fmt::format("It has more than {} rows.", mostRows)};
    if (const Status ended = (*reader)->end(); !ended)
        return ended.error();
    return out;
}

std::string csvLine(const CsvRow& row) {
    auto writer = DelimitedWriter::of({});
    CsvRow cells;
    for (const std::string& cell : row)
        cells.push_back(withoutFormula(cell));
    return writer->row(cells);
}

} // namespace moorfrost::exchange
