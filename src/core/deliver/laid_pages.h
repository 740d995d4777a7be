// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the module: where everything stands on the pages of a sheet. Text is set by Pango, line by line
// where it goes over the end of a page. One thread at a time.
#pragma once

#include <pango/pangocairo.h>

#include <memory>
#include <span>
#include <string>
#include <vector>

#include "core/deliver/sheet_pages.h"

namespace moorfrost::deliver {

inline constexpr double pictureSide = 76; // points

struct Ink {
    double red, green, blue;
};
namespace ink {
inline constexpr Ink black{0.11, 0.16, 0.20}, quiet{0.33, 0.39, 0.43}, missing{0.64, 0.15, 0.18},
    open{0.48, 0.32, 0.0}, rule{0.84, 0.87, 0.89}, white{1, 1, 1};
} // namespace ink

enum class TextKind { Title, Heading, Text };

struct Unref { // of GObjects
    void operator()(void* object) const { g_object_unref(object); }
};
using Layout = std::unique_ptr<PangoLayout, Unref>;

/// What stands on a page.
struct Mark {
    Layout text; // or a line, or a picture
    TextKind kind = TextKind::Text;
    Ink colour = ink::black;
    double x = 0, y = 0, width = 0; // of a line: to where
    size_t picture = SIZE_MAX;      // the item it is of
};
using Page = std::vector<Mark>;

/// What cannot be shown is left out: control characters, bytes that are no text.
std::string cleaned(std::string_view text);

/// A document, laid out.
class LaidPages {
public:
    /// Items of `pictures` get room for one.
    LaidPages(const SheetDocument& document, const SheetPictures& pictures, const PageSize& size);
    const PageSize& size() const { return size_; }
    const std::vector<Page>& pages() const { return pages_; } // at least one

private:
    Layout layout(std::string_view text, TextKind kind, const Cell& cell, double width = -1) const;
    /// Cells with dots between them, each in its colour and face; it wraps as a whole.
    Layout lineOf(const Row& row, double width) const;
    double bottom() const; // of what stands on a page, above its foot
    double inner() const;  // the width between the margins
    void newPage();
    /// Begins another page where that much is not left; never on a fresh one.
    void need(double height);
    void put(Layout text, TextKind kind, Ink colour, double x);
    /// Line by line, over as many pages as it takes.
    void flow(const std::string& text, const Cell& cell);
    void item(const SheetItem& item, bool hasPicture, size_t at);
    void head(const SheetItem& item, bool hasPicture, size_t at);
    void part(const SheetPart& part, const std::vector<double>& widths);
    void row(const SheetPart& part, const Row& cells, const std::vector<double>& widths);
    /// Of tables that stand under one another: they have the same columns.
    std::vector<double> widthsOf(std::span<const SheetPart> parts) const;
    void feet(const SheetDocument& document);

    PageSize size_;
    std::unique_ptr<PangoFontMap, Unref> fonts_;
    std::unique_ptr<PangoContext, Unref> context_;
    std::vector<Page> pages_;
    double y_; // where the next thing stands on the last page
};

} // namespace moorfrost::deliver
