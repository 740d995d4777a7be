// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/exchange/workbook.h"

#include <algorithm>

#include <xlsxwriter.h>

#include "core/files/disk.h"
#include "core/text/text.h"

namespace moorfrost::exchange {

namespace {

constexpr size_t mostInCell = 32767, mostRows = 1048576, mostColumns = 16384;

bool isNumber(const std::string& cell) {
    if (cell.empty() || cell.size() > 15 || (cell.size() > 1 && cell[0] == '0'))
        return false;
    return std::ranges::all_of(cell, [](char c) { return c >= '0' && c <= '9'; });
}

/// A name that a sheet may have.
std::string sheetNameOf(std::string name) {
    std::erase_if(name,
                  [](char c) { return std::string_view("[]:*?/\\'").find(c) != std::string_view::npos; });
    name = text::firstCharacters(text::trim(name), 31);
    return name.empty() ? "Sheet" : name;
}

} // namespace

struct WorkbookWriter::State {
    State(files::NewFile f, const Path& t) : file(std::move(f)), target(t) {}
    ~State() {
        if (book) // never finished: it is made, and thrown away with the file
            workbook_close(book);
    }
    files::NewFile file;
    Path target;
    lxw_workbook* book = nullptr;
    lxw_worksheet* sheet = nullptr;
    lxw_format* strong = nullptr;
    size_t rows = 0, cut = 0;
    bool full = false;
};

WorkbookWriter::WorkbookWriter(std::unique_ptr<State> state) : state_(std::move(state)) {}
WorkbookWriter::~WorkbookWriter() = default;

Result<std::unique_ptr<WorkbookWriter>> WorkbookWriter::create(const Path& target,
                                                               const std::string& sheetName) {
    if (Status may = files::mayBeOurs(target); !may)
        return may.error();
    auto file = files::NewFile::create(target, files::isThere(target));
    if (!file)
        return file.error();
    auto state = std::make_unique<State>(std::move(*file), target);
    // Rows go to a file without a name as they come: memory does not grow with them.
    lxw_workbook_options options = {};
    options.constant_memory = LXW_TRUE;
    options.use_zip64 = LXW_FALSE;
    state->book = workbook_new_opt(state->file.path().c_str(), &options);
    if (!state->book)
        return Error{ErrorKind::Io, target, "The workbook cannot be begun."};
    state->sheet = workbook_add_worksheet(state->book, sheetNameOf(sheetName).c_str());
    state->strong = workbook_add_format(state->book);
    format_set_bold(state->strong);
    lxw_doc_properties properties = {};
    properties.created = 1; // the same sheet is the same file
    workbook_set_properties(state->book, &properties);
    return std::unique_ptr<WorkbookWriter>(new WorkbookWriter(std::move(state)));
}

void WorkbookWriter::headings(std::span<const std::string> cells) {
    State& s = *state_;
    worksheet_freeze_panes(s.sheet, 1, 0);
    for (size_t c = 0; c < std::min(cells.size(), mostColumns); ++c)
        worksheet_write_string(s.sheet, 0, static_cast<lxw_col_t>(c), cells[c].c_str(), s.strong);
    ++s.rows;
}

void WorkbookWriter::row(std::span<const std::string> cells, const std::vector<bool>& numbers) {
    State& s = *state_;
    if (s.rows >= mostRows) {
        s.full = true;
        return;
    }
    for (size_t c = 0; c < std::min(cells.size(), mostColumns); ++c) {
        const std::string& cell = cells[c];
        const auto row = static_cast<lxw_row_t>(s.rows);
        const auto column = static_cast<lxw_col_t>(c);
        if (cell.empty())
            continue;
        if (c < numbers.size() && numbers[c] && isNumber(cell)) {
            worksheet_write_number(s.sheet, row, column, std::stod(cell), nullptr);
            continue;
        }
        std::string text = text::isUtf8(cell) ? cell : text::nfc(cell);
        // Control characters are not in XML.
        std::erase_if(text, [](char ch) {
            return static_cast<unsigned char>(ch) < 0x20 && ch != '\n' && ch != '\t' && ch != '\r';
        });
        // Its limit is in units of UTF-16; so many bytes are never more.
        if (text.size() > mostInCell) {
            text = text::clipBytes(text, mostInCell);
            ++s.cut;
        }
        worksheet_write_string(s.sheet, row, column, text.c_str(), nullptr);
    }
    ++s.rows;
}

size_t WorkbookWriter::cut() const {
    return state_->cut;
}

bool WorkbookWriter::isFull() const {
    return state_->full;
}

Status WorkbookWriter::finish() {
    State& s = *state_;
    const lxw_error error = workbook_close(std::exchange(s.book, nullptr));
    if (error != LXW_NO_ERROR)
        return Error{ErrorKind::Io, s.target,
                     std::string("The workbook cannot be written: ") + lxw_strerror(error)};
    return files::putInPlace(s.file, s.target, 0);
}

} // namespace moorfrost::exchange
