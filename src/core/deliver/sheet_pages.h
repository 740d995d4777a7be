// SPDX-License-Identifier: GPL-3.0-or-later
// A one-sheet laid out on pages, by Pango: as a PDF with text that can be chosen and searched, and as
// pictures of its pages, which are the same. One thread at a time; different sheets on any threads.
#pragma once

#include <memory>
#include <string>

#include "core/deliver/sheet_pictures.h"

namespace moorfrost::deliver {

/// Points: 1/72 inch.
struct PageSize {
    double width = 595.28, height = 841.89; // A4
};

class SheetPages {
public:
    /// `when`: seconds since 1970, of the properties.
    SheetPages(const SheetDocument& document, const SheetPictures& pictures, int64_t when,
               const PageSize& size = {});
    ~SheetPages();
    SheetPages(const SheetPages&) = delete;
    SheetPages& operator=(const SheetPages&) = delete;

    size_t count() const; // at least 1
    const PageSize& size() const;
    /// As PDF 1.5 (ISO 32000), with its properties and marks of what is a heading. An Error where it cannot
    /// be made.
    Result<std::string> pdf() const;
    /// `scale` pixels a point. Rows of width * 4 bytes: blue, green, red, unused (as QImage::Format_RGB32).
    struct Picture {
        int width = 0, height = 0;
        std::string pixels;
    };
    Picture page(size_t at, double scale) const;

private:
    struct Laid;
    std::unique_ptr<Laid> laid_;
};

} // namespace moorfrost::deliver
