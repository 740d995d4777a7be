// SPDX-License-Identifier: GPL-3.0-or-later
// What a sheet looks like before it is read: its layout, and what its columns say.
#include <algorithm>

#include <fmt/format.h>

#include "core/deliver/rows/row_reading.h"
#include "core/deliver/rows/rows_in.h"
#include "core/text/text.h"

namespace moorfrost::deliver {

namespace {

/// A column by its heading; "Artist 2" is one of "Artist".
RowColumn columnFor(const std::string& heading, const RowLayout* layout) {
    std::string base = text::trim(heading);
    if (layout) {
        const std::string wanted = text::fold(base);
        for (const RowColumn& c : layout->columns) {
            if (text::fold(c.shownHeading()) == wanted)
                return c;
            if (c.several == RowColumn::Several::Columns)
                for (int i = 1; i <= c.columns; ++i)
                    if (text::fold(fmt::format("{} {}", c.shownHeading(), i)) == wanted)
                        return c;
        }
    }
    RowColumn out;
    out.heading = base;
    std::string key = columnNamed(base);
    if (key.empty()) {
        const size_t space = base.find_last_not_of("0123456789");
        if (space != std::string::npos && space + 1 < base.size() && base[space] == ' ')
            key = columnNamed(base.substr(0, space));
    }
    if (!key.empty())
        out.parts = {key};
    return out;
}

/// What a column without a heading says, by what is in it.
std::string keyByCells(const std::vector<exchange::CsvRow>& rows, size_t column) {
    size_t paths = 0, isrcs = 0, lengths = 0, all = 0;
    for (const auto& row : rows) {
        if (column >= row.size() || text::trim(row[column]).empty())
            continue;
        const std::string cell = text::trim(row[column]);
        ++all;
        paths += cell.find_first_of("/\\") != std::string::npos && cell.find('.') != std::string::npos;
        const std::string code = comparedCode(cell);
        isrcs += code.size() == 12 && text::isDigits(code.substr(5)) && !text::isDigits(code.substr(0, 2));
        lengths += cell.find(':') != std::string::npos && secondsFrom(cell) > 0;
    }
    if (all == 0)
        return {};
    return paths * 5 > all * 4     ? "@path"
           : isrcs * 5 > all * 4   ? "isrc"
           : lengths * 5 > all * 4 ? "@length"
                                   : "";
}

} // namespace

Result<RowsInLook> lookAtRows(const Path& file, const std::vector<RowLayout>& layouts,
                              const exchange::DialectGiven& given, const std::string& named) {
    auto look = exchange::lookAtDelimited(file, given);
    if (!look)
        return look.error();
    RowsInLook out;
    out.look = std::move(*look);
    out.plan.dialect = out.look.dialect;
    const size_t columns = out.look.columns;
    if (out.look.dialect.headings && !out.look.first.empty())
        out.headings = out.look.first.front();
    out.headings.resize(std::max(columns, out.headings.size()));
    const RowLayout* layout =
        named.empty() ? layoutWithHeadings(layouts, out.headings) : rowLayoutNamed(layouts, named);
    if (layout) {
        out.layout = layout->name;
        out.plan.decimal = layout->decimal;
        out.plan.dates = layout->dates;
        out.plan.pathFrom = layout->pathFrom;
        out.plan.pathTo = layout->pathTo;
    }
    const bool byPlace = layout && !out.look.dialect.headings;
    for (size_t c = 0; c < out.headings.size(); ++c) {
        if (byPlace && headingsOf(*layout).size() == out.headings.size()) {
            out.plan.columns.push_back(columnFor(headingsOf(*layout)[c], layout));
            continue;
        }
        RowColumn column = columnFor(out.headings[c], layout);
        if (column.parts.empty() && !out.look.dialect.headings)
            if (const std::string key = keyByCells(out.look.first, c); !key.empty())
                column.parts = {key};
        out.plan.columns.push_back(std::move(column));
    }
    return out;
}

} // namespace moorfrost::deliver
