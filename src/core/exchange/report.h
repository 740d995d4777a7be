// SPDX-License-Identifier: GPL-3.0-or-later
// A table with a heading, to be kept or sent on: as CSV (RFC 4180) or as a page.
#pragma once

#include <string>
#include <vector>

#include "core/base/result.h"

namespace moorfrost::exchange {

struct Report {
    std::string title;
    std::vector<std::string> summary; // sentences
    std::vector<std::string> columns;
    std::vector<std::vector<std::string>> rows;
};

/// Cells that a spreadsheet could take for a formula (= + - @ in front) get an apostrophe in front.
std::string asCsv(const Report& report);
/// One file, without anything from elsewhere; all text escaped.
std::string asHtml(const Report& report);

/// By the ending of the name, .html or .htm for a page, else CSV. What is there already is replaced as a
/// whole or not at all.
Status save(const Report& report, const Path& file);

} // namespace moorfrost::exchange
