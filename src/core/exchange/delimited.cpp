// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/exchange/delimited.h"

#include <algorithm>

#include <csv.h>
#include <fmt/format.h>

namespace moorfrost::exchange {

namespace {

constexpr size_t block = 4096; // by which the parser takes memory for a cell
constexpr int inCell = 2;      // its state: a cell has begun

} // namespace

bool isPlainNumber(std::string_view cell) {
    if (cell.size() < 2)
        return false;
    size_t digits = 0, points = 0;
    for (const char c : cell.substr(1)) {
        digits += c >= '0' && c <= '9';
        points += c == '.' || c == ',';
    }
    return digits > 0 && points <= 1 && digits + points == cell.size() - 1;
}

std::string withoutFormula(std::string cell) {
    if (!cell.empty() && std::string_view("=+-@\t\r").find(cell[0]) != std::string_view::npos &&
        !isPlainNumber(cell))
        cell.insert(0, 1, '\'');
    return cell;
}

std::string withFormula(std::string cell) {
    if (cell.size() > 1 && cell[0] == '\'' &&
        std::string_view("=+-@\t\r").find(cell[1]) != std::string_view::npos)
        cell.erase(0, 1);
    return cell;
}

Result<DelimitedWriter> DelimitedWriter::of(const Dialect& dialect) {
    auto charset = text::CharsetWriter::of(dialect.charset);
    if (!charset)
        return charset.error();
    return DelimitedWriter(dialect, std::move(*charset));
}

std::string DelimitedWriter::begin() const {
    return dialect_.mark ? text::byteOrderMark(dialect_.charset) : std::string();
}

std::string DelimitedWriter::row(std::span<const std::string> cells) {
    using Quotes = Dialect::Quotes;
    line_.clear();
    for (size_t i = 0; i < cells.size(); ++i) {
        const std::string& cell = cells[i];
        if (i > 0)
            line_ += dialect_.delimiter;
        if (dialect_.quotes == Quotes::Never) {
            for (const char c : cell)
                line_ += c == dialect_.delimiter || c == '\n' || c == '\r' ? ' ' : c;
            continue;
        }
        // Delimiters of any kind are quoted: who reads it may guess.
        const bool needed = cell.find_first_of(",;\t|\"\r\n") != std::string::npos ||
                            cell.find(dialect_.delimiter) != std::string::npos ||
                            (cells.size() == 1 && cell.empty()); // else it is a blank line
        if (!needed && dialect_.quotes == Quotes::WhereNeeded) {
            line_ += cell;
            continue;
        }
        line_ += '"';
        for (const char c : cell) {
            line_ += c;
            if (c == '"')
                line_ += c;
        }
        line_ += '"';
    }
    line_ += dialect_.windowsLines ? "\r\n" : "\n";
    return charset_.write(line_);
}

struct DelimitedReader::State {
    State(text::CharsetReader charset, Each each) : charset(std::move(charset)), each(std::move(each)) {}
    ~State() {
        if (parser.entry_buf || isOpen)
            csv_free(&parser);
    }

    void cell(const void* data, size_t size) {
        if (error || ended)
            return;
        if (row.empty())
            began = line;
        if (row.size() >= mostCells) {
            error = Error{ErrorKind::Damaged,
                          {},
                          fmt::format("The row in line {} has more than {} cells: is it the right delimiter?",
                                      began, mostCells)};
            return;
        }
        row.emplace_back(static_cast<const char*>(data), size);
        lines += static_cast<size_t>(std::count(row.back().begin(), row.back().end(), '\n'));
    }
    void endRow(int by) {
        if (error || ended)
            return;
        const size_t at = began;
        CsvRow out;
        std::swap(out, row);
        if (by == '\n')
            ++line;
        line += lines;
        lines = 0;
        // A blank line has no cell at all; "" is a row of one empty cell, as it is written.
        if (!out.empty() && !each(at, std::move(out)))
            ended = true;
    }

    text::CharsetReader charset;
    Each each;
    csv_parser parser = {};
    bool isOpen = false, first = true, ended = false;
    CsvRow row;
    size_t line = 1, began = 1, lines = 0, nothings = 0;
    std::optional<Error> error;
};

DelimitedReader::DelimitedReader(std::unique_ptr<State> state) : state_(std::move(state)) {}
DelimitedReader::~DelimitedReader() = default;

Result<std::unique_ptr<DelimitedReader>> DelimitedReader::of(const Dialect& dialect, Each each) {
    auto charset = text::CharsetReader::of(dialect.charset);
    if (!charset)
        return charset.error();
    auto state = std::make_unique<State>(std::move(*charset), std::move(each));
    if (csv_init(&state->parser, CSV_REPALL_NL) != 0)
        return Error{ErrorKind::Io, {}, "There is no memory for reading it."};
    state->isOpen = true;
    csv_set_delim(&state->parser, static_cast<unsigned char>(dialect.delimiter));
    csv_set_blk_size(&state->parser, block);
    if (dialect.quotes == Dialect::Quotes::Never)
        csv_set_quote(&state->parser, '\0'); // which is left out of what is parsed
    csv_set_space_func(&state->parser, [](unsigned char) { return 0; }); // spaces belong to cells
    return std::unique_ptr<DelimitedReader>(new DelimitedReader(std::move(state)));
}

Status DelimitedReader::read(std::string_view bytes) {
    State& s = *state_;
    if (s.error)
        return *s.error;
    std::string text = s.charset.read(bytes, false);
    if (s.first && !text.empty()) {
        s.first = false;
        if (text.starts_with("\xEF\xBB\xBF"))
            text.erase(0, 3);
    }
    s.nothings += std::erase(text, '\0');
    csv_parse(
        &s.parser, text.data(), text.size(),
        [](void* data, size_t size, void* state) { static_cast<State*>(state)->cell(data, size); },
        [](int by, void* state) { static_cast<State*>(state)->endRow(by); }, &s);
    if (!s.error && csv_get_buffer_size(&s.parser) > mostCellBytes + block)
        s.error =
            Error{ErrorKind::Damaged,
                  {},
                  fmt::format("A cell of the row in line {} is longer than a megabyte: a quote that begins "
                              "there never ends.",
                              s.row.empty() ? s.line : s.began)};
    if (s.error)
        return *s.error;
    return Done{};
}

Status DelimitedReader::end() {
    State& s = *state_;
    if (s.error)
        return *s.error;
    if (s.ended)
        return Done{};
    if (const std::string rest = s.charset.read({}, true); !rest.empty())
        if (const Status last = read(rest); !last)
            return last;
    if (s.parser.pstate == inCell && s.parser.quoted != 0)
        return Error{ErrorKind::Damaged,
                     {},
                     fmt::format("A quote that begins in the row of line {} never ends.",
                                 s.row.empty() ? s.line : s.began)};
    csv_fini(
        &s.parser, [](void* data, size_t size, void* state) { static_cast<State*>(state)->cell(data, size); },
        [](int by, void* state) { static_cast<State*>(state)->endRow(by); }, &s);
    if (s.error)
        return *s.error;
    return Done{};
}

bool DelimitedReader::isEnded() const {
    return state_->ended;
}

size_t DelimitedReader::unread() const {
    return state_->charset.unread();
}

size_t DelimitedReader::nothings() const {
    return state_->nothings;
}

} // namespace moorfrost::exchange
