// SPDX-License-Identifier: GPL-3.0-or-later
// Delimited text (RFC 4180 and what is in use beside it), written and read a row at a time, in the encodings
// of other systems. Parsed by libcsv. Any thread.
#pragma once

#include <functional>
#include <memory>
#include <optional>
#include <span>
#include <stop_token>
#include <string>
#include <string_view>
#include <vector>

#include "core/base/result.h"
#include "core/text/charset.h"

namespace moorfrost::exchange {

using CsvRow = std::vector<std::string>;

/// How such a text is put down.
struct Dialect {
    enum class Quotes { WhereNeeded, Always, Never };
    char delimiter = ',';
    Quotes quotes = Quotes::WhereNeeded; // read with Never, a quote is a character as any other
    std::string charset = "UTF-8";       // one of text::charsetNames()
    bool mark = false;                   // a byte order mark in front
    bool headings = true;                // the first row names the columns
    bool windowsLines = true;            // CR LF
    bool operator==(const Dialect&) const = default;
};

/// A cell that a spreadsheet could take for a formula (= + - @, a tab or CR in front) gets an apostrophe in
/// front, unless it is a number; and the way back.
std::string withoutFormula(std::string cell);
std::string withFormula(std::string cell);
/// "-6.3", "+4,5": a number with nothing else.
bool isPlainNumber(std::string_view cell);

class DelimitedWriter {
public:
    static Result<DelimitedWriter> of(const Dialect& dialect);
    /// What stands in front of all rows.
    std::string begin() const;
    /// Where cells are not to be quoted, a delimiter and a line end in a cell become spaces.
    std::string row(std::span<const std::string> cells);
    size_t replaced() const { return charset_.replaced(); } // characters that the encoding does not have

private:
    DelimitedWriter(const Dialect& dialect, text::CharsetWriter charset)
        : dialect_(dialect), charset_(std::move(charset)) {}
    Dialect dialect_;
    text::CharsetWriter charset_;
    std::string line_;
};

/// What a row may hold at most: more is held to be damage.
inline constexpr size_t mostCells = 16384, mostCellBytes = 1 << 20;

class DelimitedReader {
public:
    /// `line`: that the row begins in, from 1 on. Blank lines are left out. False ends it.
    using Each = std::function<bool(size_t line, CsvRow&& row)>;
    static Result<std::unique_ptr<DelimitedReader>> of(const Dialect& dialect, Each each);
    ~DelimitedReader();
    /// The next bytes. An Error (Damaged) where a row is too long to be one: a quote that never ends.
    Status read(std::string_view bytes);
    /// Nothing follows. An Error (Damaged) where a quote never ended.
    Status end();
    bool isEnded() const;    // `each` said so
    size_t unread() const;   // characters that could not be read
    size_t nothings() const; // NUL characters, which are left out

private:
    struct State;
    explicit DelimitedReader(std::unique_ptr<State> state);
    std::unique_ptr<State> state_;
};

/// All rows of a file, streamed; regular files only. An Error (Cancelled) after a stop.
struct Unread {
    size_t characters = 0, nothings = 0;
};
Result<Unread> readDelimited(const Path& file, const Dialect& dialect, const DelimitedReader::Each& each,
                             std::stop_token stop = {});

/// What a file looks like.
struct DelimitedLook {
    Dialect dialect;
    size_t columns = 0;        // of most rows
    std::vector<CsvRow> first; // with the headings, where it has any
    uint64_t bytes = 0;
};
/// By its first 256 KB: the mark or the bytes tell the encoding, the rows the delimiter, the first row
/// whether it is headings. `given`: what a person says of it; only the rest is found out.
struct DialectGiven {
    std::optional<char> delimiter;
    std::optional<std::string> charset;
    std::optional<bool> headings, quotes;
};
Result<DelimitedLook> lookAtDelimited(const Path& file, const DialectGiven& given = {});
/// The same of bytes, which are all of it or its beginning.
Result<DelimitedLook> lookAtDelimited(std::string_view bytes, bool isAll, const DialectGiven& given = {});

} // namespace moorfrost::exchange
