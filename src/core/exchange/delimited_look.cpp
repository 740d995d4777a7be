// SPDX-License-Identifier: GPL-3.0-or-later
// Reading files of delimited text, and finding out how they are put down.
#include <algorithm>
#include <array>
#include <map>

#include <fmt/format.h>

#include "core/base/byte_source.h"
#include "core/exchange/delimited.h"
#include "core/tags/fields.h"
#include "core/text/encodings.h"
#include "core/text/text.h"

namespace moorfrost::exchange {

namespace {

constexpr size_t looked = 256 * 1024, portion = 256 * 1024;
constexpr size_t lookedRows = 200;

std::string charsetOf(std::string_view bytes) {
    if (bytes.starts_with("\xEF\xBB\xBF"))
        return "UTF-8";
    if (bytes.starts_with("\xFF\xFE"))
        return "UTF-16LE";
    if (bytes.starts_with("\xFE\xFF"))
        return "UTF-16BE";
    // Without a mark: every other byte of Latin text is 0.
    size_t even = 0, odd = 0;
    for (size_t i = 0; i < bytes.size(); ++i)
        if (bytes[i] == '\0')
            ++(i % 2 == 0 ? even : odd);
    if (odd * 3 > bytes.size() && odd > even * 4)
        return "UTF-16LE";
    if (even * 3 > bytes.size() && even > odd * 4)
        return "UTF-16BE";
    // The end may cut a character in two.
    for (size_t cut = 0; cut < 4 && cut < bytes.size(); ++cut)
        if (text::isUtf8(bytes.substr(0, bytes.size() - cut)))
            return "UTF-8";
    std::vector<std::string> lines;
    for (const std::string& line : text::split(text::fromLatin1(bytes), "\n"))
        if (lines.size() < lookedRows)
            lines.push_back(line);
    const std::string likely = text::likelyEncoding(lines);
    return !likely.empty() && likely != "UTF-8" && text::CharsetReader::of(likely) ? likely : "Windows-1252";
}

/// The rows, as far as they can be read.
std::vector<CsvRow> rowsOf(std::string_view bytes, const Dialect& dialect, bool isAll) {
    std::vector<CsvRow> out;
    auto reader = DelimitedReader::of(dialect, [&](size_t, CsvRow&& row) {
        out.push_back(std::move(row));
        return out.size() < lookedRows;
    });
    if (!reader)
        return out;
    if ((*reader)->read(bytes) && isAll)
        (*reader)->end().ignore();
    return out;
}

/// So many rows have as many cells as most of them; nothing where that is one.
struct Shape {
    size_t columns = 1, rows = 0;
};
Shape shapeOf(const std::vector<CsvRow>& rows) {
    std::map<size_t, size_t> counts;
    for (const CsvRow& row : rows)
        ++counts[row.size()];
    Shape out;
    for (const auto& [columns, count] : counts)
        if (count > out.rows)
            out = {columns, count};
    return out;
}

char delimiterOf(std::string_view bytes, const Dialect& dialect, bool isAll) {
    char best = ',';
    double most = 0;
    for (const char c : std::array{',', ';', '\t', '|', ':'}) {
        Dialect tried = dialect;
        tried.delimiter = c;
        const auto rows = rowsOf(bytes, tried, isAll);
        const Shape shape = shapeOf(rows);
        if (shape.columns < 2 || rows.empty())
            continue;
        // Rows that agree count most; of two that agree as well, the one with more columns.
        const double value = static_cast<double>(shape.rows) / static_cast<double>(rows.size()) +
                             0.001 * static_cast<double>(std::min<size_t>(shape.columns, 100)) -
                             (c == ':' ? 0.3 : 0);
        if (value > most) {
            most = value;
            best = c;
        }
    }
    return best;
}

bool looksLikeData(const std::string& cell) {
    const std::string trimmed = text::trim(cell);
    return trimmed.empty() || text::isDigits(trimmed) || isPlainNumber("0" + trimmed) ||
           trimmed.find_first_of("/\\") != std::string::npos ||
           (trimmed.size() > 3 &&
            std::ranges::count_if(trimmed, [](char c) { return c >= '0' && c <= '9'; }) * 2 >
                static_cast<long>(trimmed.size()));
}

bool firstIsHeadings(const std::vector<CsvRow>& rows) {
    if (rows.empty())
        return false;
    const CsvRow& first = rows.front();
    size_t known = 0, data = 0;
    for (const std::string& cell : first) {
        known += tags::fieldByName(text::trim(cell)) != nullptr;
        data += looksLikeData(cell);
    }
    CsvRow sorted = first;
    std::ranges::sort(sorted);
    const bool twice = std::ranges::adjacent_find(sorted) != sorted.end();
    if (known > 0 && known * 3 >= first.size())
        return true;
    if (data > 0 || twice)
        return known >= 2;
    // A row of words: headings, where something below them is of another kind.
    for (size_t r = 1; r < rows.size(); ++r)
        for (const std::string& cell : rows[r])
            if (!text::trim(cell).empty() && looksLikeData(cell))
                return true;
    return false;
}

} // namespace

Result<DelimitedLook> lookAtDelimited(std::string_view bytes, bool isAll, const DialectGiven& given) {
    if (bytes.starts_with("PK\x03\x04"))
        return Error{
            ErrorKind::Unsupported,
            {},
            "This is a workbook or another packed file: save it as CSV in the program that made it."};
    if (text::trim(bytes).empty())
        return Error{ErrorKind::Invalid, {}, "There is nothing in it."};
    DelimitedLook out;
    out.dialect.charset = given.charset ? *given.charset : charsetOf(bytes);
    out.dialect.mark = !text::byteOrderMark(out.dialect.charset).empty() &&
                       bytes.starts_with(text::byteOrderMark(out.dialect.charset));
    out.dialect.quotes =
        given.quotes && !*given.quotes ? Dialect::Quotes::Never : Dialect::Quotes::WhereNeeded;
    out.dialect.windowsLines = bytes.find('\r') != std::string_view::npos;
    out.dialect.delimiter = given.delimiter ? *given.delimiter : delimiterOf(bytes, out.dialect, isAll);
    out.first = rowsOf(bytes, out.dialect, isAll);
    out.columns = shapeOf(out.first).columns;
    out.dialect.headings = given.headings ? *given.headings : firstIsHeadings(out.first);
    if (out.first.empty())
        return Error{ErrorKind::Damaged, {}, "No row of it can be read: a quote may never end."};
    return out;
}

Result<DelimitedLook> lookAtDelimited(const Path& file, const DialectGiven& given) {
    auto source = FileSource::open(file);
    if (!source)
        return source.error();
    std::string bytes(static_cast<size_t>(std::min<uint64_t>((*source)->size(), looked)), '\0');
    if ((*source)->read(0, bytes.data(), bytes.size()) < bytes.size())
        return Error{ErrorKind::Io, file, "It cannot be read."};
    auto out = lookAtDelimited(bytes, (*source)->size() <= looked, given);
    if (out)
        out->bytes = (*source)->size();
    return out;
}

Result<Unread> readDelimited(const Path& file, const Dialect& dialect, const DelimitedReader::Each& each,
                             std::stop_token stop) {
    auto source = FileSource::open(file);
    if (!source)
        return source.error();
    auto reader = DelimitedReader::of(dialect, each);
    if (!reader)
        return reader.error();
    std::string bytes;
    for (uint64_t at = 0; at < (*source)->size() && !(*reader)->isEnded(); at += bytes.size()) {
        if (stop.stop_requested())
            return Error{ErrorKind::Cancelled, {}, "It was stopped."};
        bytes.resize(static_cast<size_t>(std::min<uint64_t>((*source)->size() - at, portion)));
        if ((*source)->read(at, bytes.data(), bytes.size()) < bytes.size())
            return Error{ErrorKind::Io, file, "It cannot be read to its end."};
        if (const Status read = (*reader)->read(bytes); !read)
            return read.error();
    }
    if (const Status ended = (*reader)->end(); !ended)
        return ended.error();
    return Unread{(*reader)->unread(), (*reader)->nothings()};
}

} // namespace moorfrost::exchange
