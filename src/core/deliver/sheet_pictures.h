// SPDX-License-Identifier: GPL-3.0-or-later
// The pictures of a one-sheet, decoded and made small by reading processes. Any thread; takes its time.
#pragma once

#include <map>

#include "core/deliver/one_sheet.h"
#include "core/pictures/raster.h"

namespace moorfrost::deliver {

struct SheetPicture {
    std::string jpeg;        // the whole picture, no larger than a page needs
    pictures::Square square; // the middle of it
};
/// By the place of the item in the document.
using SheetPictures = std::map<size_t, SheetPicture>;

/// What a picture is read from.
struct PictureFrom {
    Path file; // of sound, or (hash 0) a picture itself
    uint64_t hash = 0;
    bool operator==(const PictureFrom&) const = default;
};
/// Where the pictures of the items lie. On the thread of the store.
std::map<size_t, PictureFrom> picturesOf(library::Store& store, const SheetSubject& subject,
                                         const SheetDocument& document);
/// Those that cannot be read are left out. `known`: read before.
SheetPictures readPictures(const std::map<size_t, PictureFrom>& from);

} // namespace moorfrost::deliver
