// SPDX-License-Identifier: GPL-3.0-or-later
// Which of the files are shown in the sheet, and in which order.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include <QString>

#include "app/widgets/sheet.h"

namespace moorfrost::app {

struct SheetFilter {
    QString text; // words that stand anywhere in what is shown of a file
    bool drafted = false, undrafted = false;
    bool differs = false;   // from most of its sleeve
    std::string lacks = {}; // a field
    std::optional<matching::ContentKind> kind = {};
    bool isEmpty() const {
        return text.trimmed().isEmpty() && !drafted && !undrafted && !differs && lacks.empty() && !kind;
    }
};

struct SheetSort {
    std::string column;
    bool ascending = true; // blanks come last either way
    bool operator==(const SheetSort&) const = default;
};

/// The files that the filter lets through; sorted by the first column, within the same by the next, at last
/// as they were given.
std::vector<FileId> arrangeRows(const SheetModel& model, const std::vector<FileId>& files,
                                const SheetFilter& filter, const std::vector<SheetSort>& sorting);

} // namespace moorfrost::app
