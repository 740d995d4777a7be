// SPDX-License-Identifier: GPL-3.0-or-later
// A one-sheet as plain text, as a page, and as JSON. Any thread.
#pragma once

#include "core/deliver/sheet_pictures.h"

namespace moorfrost::deliver {

/// Lines end in "\n"; columns are set under one another.
std::string sheetText(const SheetDocument& document);
/// One file that needs nothing from elsewhere, no script, and prints well; all text escaped.
std::string sheetHtml(const SheetDocument& document, const SheetPictures& pictures);
/// For programs: the sections that are on, by their keys; fractions as "1/3", dates as they are kept.
std::string sheetJson(const SheetSubject& subject, const SheetLayout& layout);

} // namespace moorfrost::deliver
