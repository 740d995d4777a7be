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

bool isNumber(std::string_view cell) {
    if (cell.size() < 2)
        return false;
    return std::ranges::all_of(cell.substr(1), [](char c) { return (c >= '0' && c <= '9') || c == '.'; });
}

} // namespace

Result<std::vector<CsvRow>> readCsv(std::string_view text, size_t mostRows) {
    if (text.starts_with("\xEF\xBB\xBF"))
        text.remove_prefix(3);
    const char delimiter = delimiterOf(text);
    std::vector<CsvRow> out;
    CsvRow row;
    std::string cell;
    bool quoted = false, wasQuoted = false;
    size_t line = 1, opened = 0;
    auto endCell = [&] {
        row.push_back(std::move(cell));
        cell.clear();
        wasQuoted = false;
    };
    auto endRow = [&] {
        const bool blank = row.empty() && cell.empty() && !wasQuoted;
        if (!blank) {
            endCell();
            out.push_back(std::move(row));
        }
        row.clear();
    };
    for (size_t i = 0; i < text.size(); ++i) {
        const char c = text[i];
        line += c == '\n';
        if (quoted) {
            if (c != '"')
                cell += c;
            else if (i + 1 < text.size() && text[i + 1] == '"')
                cell += text[++i];
            else
                quoted = false;
        } else if (c == '"' && cell.empty() && !wasQuoted) {
            quoted = wasQuoted = true;
            opened = line;
        } else if (c == delimiter) {
            endCell();
        } else if (c == '\n' || c == '\r') {
            if (c == '\r' && i + 1 < text.size() && text[i + 1] == '\n')
                ++i, ++line;
            endRow();
            if (out.size() > mostRows)
                return Error{ErrorKind::Unsupported, {}, fmt::format("It has more than {} rows.", mostRows)};
        } else {
            cell += c;
        }
    }
    if (quoted)
        return Error{ErrorKind::Damaged, {}, fmt::format("The quote in line {} never ends.", opened)};
    endRow();
    return out;
}

std::string csvLine(const CsvRow& row) {
    std::string out;
    for (size_t i = 0; i < row.size(); ++i) {
        std::string cell = row[i];
        if (!cell.empty() && std::string_view("=+-@\t\r").find(cell[0]) != std::string_view::npos &&
            !isNumber(cell))
            cell.insert(0, 1, '\'');
        if (i > 0)
            out += ',';
        if (cell.find_first_of(",;\t\"\r\n") == std::string::npos) {
            out += cell;
            continue;
        }
        out += '"';
        for (const char c : cell) {
            out += c;
            if (c == '"')
                out += c;
        }
        out += '"';
    }
    return out + "\r\n";
}

} // namespace moorfrost::exchange
