// SPDX-License-Identifier: GPL-3.0-or-later
// A workbook (Office Open XML, .xlsx) with one sheet, written a row at a time by libxlsxwriter. Texts are
// texts: no cell is a formula. One thread.
#pragma once

#include <memory>
#include <span>
#include <string>
#include <vector>

#include "core/base/result.h"

namespace moorfrost::exchange {

class WorkbookWriter {
public:
    /// What is there already stays until finish().
    static Result<std::unique_ptr<WorkbookWriter>> create(const Path& target, const std::string& sheetName);
    ~WorkbookWriter();
    void headings(std::span<const std::string> cells);
    /// `numbers`: which cells are numbers where they can be.
    void row(std::span<const std::string> cells, const std::vector<bool>& numbers);
    /// More than a sheet of a workbook holds came (1,048,576 rows), or a text was longer than a cell holds.
    size_t cut() const;
    bool isFull() const;
    Status finish();

private:
    struct State;
    explicit WorkbookWriter(std::unique_ptr<State> state);
    std::unique_ptr<State> state_;
};

} // namespace moorfrost::exchange
