// SPDX-License-Identifier: GPL-3.0-or-later
// A one-sheet as a file, of the kind that its name ends in. Any thread.
#pragma once

#include "core/deliver/sheet_pages.h"
#include "core/deliver/sheet_text.h"

namespace moorfrost::deliver {

enum class SheetFile { Text, Html, Pdf, Json };
/// By the ending: .txt, .html or .htm, .pdf, .json. nullopt for others.
std::optional<SheetFile> sheetFileOf(const Path& name);
/// An Error where nothing is to stand on it, or it cannot be made.
Result<std::string> sheetBytes(SheetFile kind, const SheetSubject& subject, const SheetLayout& layout,
                               const SheetPictures& pictures, int64_t when);
/// "Kestrel & Rook - Lanterns", fit for a name of a file.
std::string sheetFileName(const SheetSubject& subject);

} // namespace moorfrost::deliver
