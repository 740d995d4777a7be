// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/deliver/laid_pages.h"

#include <algorithm>
#include <cmath>

#include <fmt/format.h>

#include "core/deliver/page_fonts.h"
#include "core/text/text.h"

namespace moorfrost::deliver {

namespace {

// Points.
constexpr double margin = 46, footHeight = 30;
constexpr double pictureGap = 16;
constexpr double rowGap = 2.4, partGap = 12, itemGap = 26, columnGap = 10;
constexpr double smallest = 56; // of a column, where there is not enough for all

Ink inkOf(const Cell& cell) {
    switch (cell.tone) {
    case Tone::Quiet:
        return ink::quiet;
    case Tone::Missing:
        return ink::missing;
    case Tone::Open:
        return ink::open;
    case Tone::Plain:
        break;
    }
    return ink::black;
}

double heightOf(const Layout& layout) {
    PangoRectangle rect;
    pango_layout_get_extents(layout.get(), nullptr, &rect);
    return static_cast<double>(rect.height) / PANGO_SCALE;
}

double widthOf(const Layout& layout) {
    PangoRectangle rect;
    pango_layout_get_extents(layout.get(), nullptr, &rect);
    return static_cast<double>(rect.width) / PANGO_SCALE;
}

} // namespace

std::string cleaned(std::string_view text) {
    std::string out;
    for (const char c : text::isUtf8(text) ? std::string(text) : text::forDisplay(text))
        if (const auto u = static_cast<unsigned char>(c); (u >= 0x20 && u != 0x7F) || c == '\n' || c == '\t')
            out += c;
    return out;
}

LaidPages::LaidPages(const SheetDocument& document, const SheetPictures& pictures, const PageSize& paper)
    : size_(paper), fonts_(pageFonts()), context_(pango_font_map_create_context(fonts_.get())), y_(margin) {
    // Laid out without regard to pixels: the page is the same on a screen and on paper.
    cairo_font_options_t* options = cairo_font_options_create();
    cairo_font_options_set_hint_style(options, CAIRO_HINT_STYLE_NONE);
    cairo_font_options_set_hint_metrics(options, CAIRO_HINT_METRICS_OFF);
    cairo_font_options_set_antialias(options, CAIRO_ANTIALIAS_GRAY);
    pango_cairo_context_set_font_options(context_.get(), options);
    cairo_font_options_destroy(options);
    pango_cairo_context_set_resolution(context_.get(), 72);
    pango_context_set_round_glyph_positions(context_.get(), FALSE);
    pages_.emplace_back();
    for (size_t i = 0; i < document.items.size(); ++i)
        item(document.items[i], pictures.contains(i), i);
    feet(document);
}

Layout LaidPages::layout(std::string_view text, TextKind kind, const Cell& cell, double width) const {
    Layout out(pango_layout_new(context_.get()));
    PangoFontDescription* font = pango_font_description_new();
    pango_font_description_set_family(font, cell.isCode ? codeFace : textFace);
    const double points = kind == TextKind::Title     ? 19
                          : kind == TextKind::Heading ? 9.5
                          : cell.isCode               ? 8.3
                                                      : 9.2;
    pango_font_description_set_absolute_size(font, points * PANGO_SCALE);
    if (kind != TextKind::Text)
        pango_font_description_set_weight(font, PANGO_WEIGHT_SEMIBOLD);
    pango_layout_set_font_description(out.get(), font);
    pango_font_description_free(font);
    // Letters that are drawn as one are read back as several by every reader, but not by all searches.
    PangoAttrList* attributes = pango_attr_list_new();
    pango_attr_list_insert(attributes, pango_attr_font_features_new("liga=0, clig=0, calt=0"));
    pango_layout_set_attributes(out.get(), attributes);
    pango_attr_list_unref(attributes);
    const std::string clean = cleaned(text);
    pango_layout_set_text(out.get(), clean.data(), static_cast<int>(clean.size()));
    pango_layout_set_line_spacing(out.get(), 1.16F);
    pango_layout_set_wrap(out.get(), PANGO_WRAP_WORD_CHAR);
    if (width > 0)
        pango_layout_set_width(out.get(), static_cast<int>(width * PANGO_SCALE));
    return out;
}

Layout LaidPages::lineOf(const Row& row, double width) const {
    std::string text;
    std::vector<PangoAttribute*> attributes;
    auto over = [&](PangoAttribute* attribute, size_t from) {
        attribute->start_index = static_cast<guint>(from);
        attribute->end_index = static_cast<guint>(text.size());
        attributes.push_back(attribute);
    };
    auto part = [](double v) { return static_cast<guint16>(std::lround(v * 65535)); };
    for (const Cell& cell : row) {
        text += text.empty() ? "" : " \u00B7 ";
        const size_t from = text.size();
        text += cleaned(cell.text);
        const Ink colour = inkOf(cell);
        over(pango_attr_foreground_new(part(colour.red), part(colour.green), part(colour.blue)), from);
        if (cell.isCode) {
            over(pango_attr_family_new(codeFace), from);
            over(pango_attr_size_new_absolute(static_cast<int>(8.3 * PANGO_SCALE)), from);
        }
    }
    Layout out = layout(text, TextKind::Text, {}, width);
    PangoAttrList* list = pango_layout_get_attributes(out.get());
    for (PangoAttribute* attribute : attributes)
        pango_attr_list_insert(list, attribute);
    return out;
}

double LaidPages::bottom() const {
    return size_.height - margin - footHeight;
}

double LaidPages::inner() const {
    return size_.width - 2 * margin;
}

void LaidPages::newPage() {
    pages_.emplace_back();
    y_ = margin;
}

void LaidPages::need(double height) {
    if (y_ + height > bottom() && y_ > margin)
        newPage();
}

void LaidPages::put(Layout text, TextKind kind, Ink colour, double x) {
    Mark& mark = pages_.back().emplace_back();
    mark.text = std::move(text);
    mark.kind = kind;
    mark.colour = colour;
    mark.x = x;
    mark.y = y_;
}

void LaidPages::flow(const std::string& text, const Cell& cell) {
    // A paragraph is a layout of its own: a page has whole lines, and what goes on is on the next.
    for (const std::string& paragraph : text::split(text, "\n")) {
        Layout all = layout(paragraph, TextKind::Text, cell, inner());
        if (y_ + heightOf(all) <= bottom()) {
            const double height = heightOf(all);
            put(std::move(all), TextKind::Text, inkOf(cell), margin);
            y_ += height;
            continue;
        }
        // Over the end of the page: each line by itself.
        std::vector<std::string> lines;
        for (GSList* at = pango_layout_get_lines_readonly(all.get()); at; at = at->next) {
            const auto* line = static_cast<PangoLayoutLine*>(at->data);
            lines.emplace_back(pango_layout_get_text(all.get()) + line->start_index,
                               static_cast<size_t>(line->length));
        }
        for (const std::string& line : lines) {
            Layout one = layout(line, TextKind::Text, cell);
            const double height = heightOf(one);
            need(height);
            put(std::move(one), TextKind::Text, inkOf(cell), margin);
            y_ += height;
        }
    }
}

void LaidPages::head(const SheetItem& item, bool hasPicture, size_t at) {
    const double x = hasPicture ? margin + pictureSide + pictureGap : margin;
    const double width = size_.width - margin - x;
    std::vector<Layout> lines;
    double height = 0;
    Layout titled = layout(item.title, TextKind::Title, {}, width);
    height += heightOf(titled) + 2;
    for (const Row& row : item.lines) {
        Layout one = lineOf(row, width);
        height += heightOf(one) + 1;
        lines.push_back(std::move(one));
    }
    if (height > (bottom() - margin) / 2) { // a text rather than a title: as text, which goes on
        flow(item.title, {});
        for (const Row& row : item.lines)
            for (const Cell& cell : row)
                flow(cell.text, cell);
        return;
    }
    need(std::max(height, hasPicture ? pictureSide : 0.0) + 70); // and something below it
    const double top = y_;
    if (hasPicture) {
        Mark& mark = pages_.back().emplace_back();
        mark.picture = at;
        mark.x = margin;
        mark.y = y_;
    }
    const double titleHeight = heightOf(titled);
    put(std::move(titled), TextKind::Title, ink::black, x);
    y_ += titleHeight + 2;
    for (Layout& line : lines) {
        const double lineHeight = heightOf(line);
        put(std::move(line), TextKind::Text, ink::black, x);
        y_ += lineHeight + 1;
    }
    if (hasPicture)
        y_ = std::max(y_, top + pictureSide);
}

void LaidPages::item(const SheetItem& what, bool hasPicture, size_t at) {
    if (at > 0) {
        if (what.ownPage && y_ > margin)
            newPage();
        else if (y_ > margin)
            y_ += itemGap;
    }
    head(what, hasPicture, at);
    auto columns = [](const SheetPart& part) {
        size_t out = 0;
        for (const Row& row : part.rows)
            out = std::max(out, row.size());
        return out;
    };
    for (size_t i = 0; i < what.parts.size();) {
        size_t end = i + 1;
        while (end < what.parts.size() && what.parts[end].section == what.parts[i].section &&
               columns(what.parts[end]) == columns(what.parts[i]))
            ++end;
        const auto widths = widthsOf(std::span(what.parts).subspan(i, end - i));
        for (; i < end; ++i)
            part(what.parts[i], widths);
    }
}

void LaidPages::part(const SheetPart& what, const std::vector<double>& widths) {
    Layout heading = layout(what.heading, TextKind::Heading, {}, inner());
    const double height = heightOf(heading);
    y_ += partGap;
    need(height + 30); // a heading does not stand alone at the end of a page
    put(std::move(heading), TextKind::Heading, ink::black, margin);
    y_ += height + 2;
    for (const Row& cells : what.rows)
        row(what, cells, widths);
    if (!what.rows.empty())
        y_ += 2;
    for (const Cell& paragraph : what.paragraphs)
        flow(paragraph.text, paragraph);
}

std::vector<double> LaidPages::widthsOf(std::span<const SheetPart> parts) const {
    std::vector<double> widths;
    for (const SheetPart& what : parts)
        for (const Row& row : what.rows)
            for (size_t i = 0; i < row.size(); ++i) {
                if (widths.size() <= i)
                    widths.resize(i + 1);
                if (!row[i].text.empty())
                    widths[i] = std::max(widths[i],
                                         std::ceil(widthOf(layout(row[i].text, TextKind::Text, row[i])) + 1));
            }
    const size_t columns = widths.size();
    const auto used = static_cast<double>(std::ranges::count_if(widths, [](double w) { return w > 0; }));
    const double all = inner() - columnGap * std::max(0.0, used - 1);
    double sum = 0;
    for (const double w : widths)
        sum += w;
    if (sum <= all) {
        // The rest goes to the first two: names and what they do stand apart from numbers.
        if (parts.front().endsInNumbers && columns > 1) {
            const double rest = all - sum;
            widths[0] += rest * 0.4;
            widths[columns - 1] += rest * 0.1;
            for (size_t i = 1; i + 1 < columns; ++i)
                widths[i] += rest * 0.5 / static_cast<double>(std::max<size_t>(1, columns - 2));
            if (columns == 2)
                widths[1] += rest * 0.5;
        }
        return widths;
    }
    // The widest give way until all fit.
    while (sum > all + 0.01) {
        const auto widest = std::ranges::max_element(widths);
        double next = smallest;
        for (const double w : widths)
            if (w < *widest)
                next = std::max(next, w);
        const double by = std::min(sum - all, std::max(1.0, *widest - next));
        if (*widest <= smallest)
            break;
        *widest -= by;
        sum -= by;
    }
    return widths;
}

void LaidPages::row(const SheetPart& what, const Row& cells, const std::vector<double>& widths) {
    std::vector<Layout> layouts(widths.size());
    double height = 0;
    for (size_t i = 0; i < cells.size(); ++i)
        if (!cells[i].text.empty()) {
            layouts[i] = layout(cells[i].text, TextKind::Text, cells[i], widths[i] + 0.5);
            if (what.endsInNumbers && i + 1 == widths.size())
                pango_layout_set_alignment(layouts[i].get(), PANGO_ALIGN_RIGHT);
            height = std::max(height, heightOf(layouts[i]));
        }
    if (height > bottom() - margin) { // no page has room for it: as text, which goes on
        for (const Cell& cell : cells)
            if (!cell.text.empty())
                flow(cell.text, cell);
        return;
    }
    need(height + 2 * rowGap);
    y_ += rowGap;
    double x = margin;
    for (size_t i = 0; i < widths.size(); ++i) {
        if (layouts[i])
            put(std::move(layouts[i]), TextKind::Text, inkOf(cells[i]), x);
        if (widths[i] > 0)
            x += widths[i] + columnGap;
    }
    y_ += height + rowGap;
    Mark& line = pages_.back().emplace_back();
    line.colour = ink::rule;
    line.x = margin;
    line.y = y_;
    line.width = inner();
}

void LaidPages::feet(const SheetDocument& document) {
    for (size_t i = 0; i < pages_.size(); ++i) {
        const Cell cell{"", Tone::Quiet, false};
        Layout name = layout(document.title, TextKind::Text, cell, inner() * 0.7);
        pango_layout_set_ellipsize(name.get(), PANGO_ELLIPSIZE_END);
        pango_layout_set_height(name.get(), -1);
        Layout number =
            layout(fmt::format("{} / {}", i + 1, pages_.size()), TextKind::Text, cell, inner() * 0.3);
        pango_layout_set_alignment(number.get(), PANGO_ALIGN_RIGHT);
        for (auto& [text, x] : {std::pair(&name, margin), {&number, margin + inner() * 0.7}}) {
            Mark& mark = pages_[i].emplace_back();
            mark.text = std::move(*text);
            mark.colour = ink::quiet;
            mark.x = x;
            mark.y = size_.height - margin - 8;
        }
    }
}

} // namespace moorfrost::deliver
