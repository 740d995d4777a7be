// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/deliver/rows/rows_out.h"

#include <charconv>

#include <fmt/format.h>
#include <nlohmann/json.hpp>

#include "core/deliver/rows/row_values.h"
#include "core/exchange/workbook.h"
#include "core/files/growing_file.h"
#include "core/text/text.h"
#include "core/work/in_order.h"

namespace moorfrost::deliver {

namespace {

using library::FileId;
using Json = nlohmann::ordered_json;

Json jsonOf(const std::string& key, const std::string& value) {
    int64_t number = 0;
    if (isNumberColumn(key) && value.size() < 16) {
        const auto read = std::from_chars(value.data(), value.data() + value.size(), number);
        if (read.ec == std::errc() && read.ptr == value.data() + value.size())
            return number;
    }
    return value;
}

/// A row as an object: what is one thing by its kind, several values as a list; what says nothing is left
/// out.
std::string jsonLine(const RowLayout& layout, const RowValues& values, const RowSource& row) {
    Json out = Json::object();
    const RowValues::Parts all = values.parts(row);
    size_t at = 0;
    for (const RowColumn& column : layout.columns) {
        const std::span parts = std::span(all).subspan(at, column.parts.size());
        at += column.parts.size();
        // Keys are those of fields, where no other heading was given.
        std::string key = column.heading;
        if (key.empty())
            key = column.parts.empty() ? "text" : column.parts.front();
        if (key.starts_with('@'))
            key.erase(0, 1);
        if (column.parts.empty()) {
            out[key] = column.text;
        } else if (column.parts.size() > 1) {
            if (std::string said = RowValues::joined(column, parts, false); !said.empty())
                out[key] = said;
        } else if (const auto& only = parts.front();
                   only.size() == 1 || column.several == RowColumn::Several::First) {
            if (!only.empty())
                out[key] = jsonOf(column.parts.front(), only.front());
        } else if (!only.empty()) {
            out[key] = only;
        }
    }
    return out.dump(-1, ' ', false, Json::error_handler_t::replace) + "\n";
}

/// A row as it stands in a file of text.
std::string rowText(const RowLayout& layout, exchange::DelimitedWriter& writer, const RowValues& values,
                    const RowSource& row) {
    if (layout.file == RowFile::JsonLines)
        return jsonLine(layout, values, row);
    exchange::CsvRow cells = values.cells(row);
    for (std::string& cell : cells)
        cell = exchange::withoutFormula(std::move(cell));
    return writer.row(cells);
}
std::string headingText(const RowLayout& layout, exchange::DelimitedWriter& writer) {
    return layout.file == RowFile::Delimited && layout.dialect.headings ? writer.row(headingsOf(layout))
                                                                        : std::string();
}

std::vector<bool> numbersOf(const RowLayout& layout) {
    std::vector<bool> out;
    for (const RowColumn& c : layout.columns) {
        const bool number = c.parts.size() == 1 && isNumberColumn(c.parts.front());
        out.insert(out.end(), c.several == RowColumn::Several::Columns ? static_cast<size_t>(c.columns) : 1,
                   number);
    }
    return out;
}

/// Goes over all files; `put` takes each row, on a thread of its own, and says whether more is wanted.
template<class Put>
Status forAll(library::Store& store, const RowLayout& layout, const std::vector<FileId>& files,
              std::stop_token stop, work::Progress* progress, RowsWritten& out, Put put) {
    RowValues values(store, layout);
    if (progress)
        progress->begin(files.size());
    bool isWell = true; // of the thread that puts
    work::InOrder<RowSource> writing([&](RowSource&& row) {
        isWell = put(values, row);
        if (progress)
            progress->step({});
        return isWell;
    });
    values.each(files, [&](RowSource&& row) {
        ++out.rows;
        return writing.put(std::move(row)) && !stop.stop_requested();
    });
    writing.end();
    if (stop.stop_requested())
        return Error{ErrorKind::Cancelled, {}, "It was stopped: nothing was written."};
    if (isWell)
        out.unknown = files.size() - out.rows;
    return Done{};
}

} // namespace

std::string RowsWritten::trouble() const {
    std::string out;
    auto add = [&](size_t n, const char* oneThing, const char* several) {
        if (n > 0)
            out += fmt::format("{}{} {}", out.empty() ? "" : " ", n, n == 1 ? oneThing : several);
    };
    add(unknown, "track is not in the library any more.", "tracks are not in the library any more.");
    add(replaced, "character is not in this encoding and became \"?\".",
        "characters are not in this encoding and became \"?\".");
    add(cut, "text was too long for a cell and was cut.", "texts were too long for a cell and were cut.");
    return out;
}

Result<RowsWritten> writeRows(library::Store& store, const RowLayout& layout,
                              const std::vector<FileId>& files, const Path& target, std::stop_token stop,
                              work::Progress& progress) {
    RowsWritten out;
    if (layout.file == RowFile::Workbook) {
        auto book = exchange::WorkbookWriter::create(target, layout.name);
        if (!book)
            return book.error();
        const auto numbers = numbersOf(layout);
        (*book)->headings(headingsOf(layout));
        if (Status done = forAll(store, layout, files, stop, &progress, out,
                                 [&](const RowValues& values, const RowSource& row) {
                                     (*book)->row(values.cells(row), numbers);
                                     return !(*book)->isFull();
                                 });
            !done)
            return done.error();
        if ((*book)->isFull())
            return Error{ErrorKind::Unsupported, target,
                         "A workbook holds 1,048,576 rows: choose delimited text for so many."};
        out.cut = (*book)->cut();
        if (Status done = (*book)->finish(); !done)
            return done.error();
        std::error_code ignored;
        out.bytes = std::filesystem::file_size(target, ignored);
        return out;
    }
    auto file = files::GrowingFile::create(target);
    if (!file)
        return file.error();
    auto writer = exchange::DelimitedWriter::of(layout.dialect);
    if (!writer)
        return writer.error();
    if (layout.file == RowFile::Delimited)
        file->add(writer->begin());
    file->add(headingText(layout, *writer));
    if (Status done = forAll(store, layout, files, stop, &progress, out,
                             [&](const RowValues& values, const RowSource& row) {
                                 file->add(rowText(layout, *writer, values, row));
                                 return file->isWell();
                             });
        !done)
        return done.error();
    out.replaced = writer->replaced();
    out.bytes = file->size();
    if (Status done = file->finish(); !done)
        return done.error();
    return out;
}

Result<std::string> rowsText(library::Store& store, const RowLayout& layout,
                             const std::vector<FileId>& files) {
    RowsWritten counted;
    exchange::Dialect dialect = layout.dialect;
    dialect.charset = "UTF-8";
    auto writer = exchange::DelimitedWriter::of(dialect);
    if (!writer)
        return writer.error();
    std::string out = headingText(layout, *writer);
    if (Status done = forAll(store, layout, files, {}, nullptr, counted,
                             [&](const RowValues& values, const RowSource& row) {
                                 out += rowText(layout, *writer, values, row);
                                 return true;
                             });
        !done)
        return done.error();
    return out;
}

} // namespace moorfrost::deliver
