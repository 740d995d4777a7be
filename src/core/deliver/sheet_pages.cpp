// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/deliver/sheet_pages.h"

#include <cairo-pdf.h>

#include <algorithm>
#include <cmath>
#include <ctime>
#include <span>

#include <fmt/chrono.h>
#include <fmt/format.h>

#include "core/deliver/page_fonts.h"
#include "core/text/text.h"

namespace moorfrost::deliver {

namespace {

// Points.
constexpr double margin = 46, footHeight = 30;
constexpr double pictureSide = 76, pictureGap = 16;
constexpr double rowGap = 2.4, partGap = 12, itemGap = 26, columnGap = 10;
constexpr double smallest = 56; // of a column, where there is not enough for all

struct Ink {
    double red, green, blue;
};
constexpr Ink black{0.11, 0.16, 0.20}, quiet{0.33, 0.39, 0.43}, missing{0.64, 0.15, 0.18},
    open{0.48, 0.32, 0.0}, rule{0.84, 0.87, 0.89}, white{1, 1, 1};

Ink inkOf(const Cell& cell) {
    switch (cell.tone) {
    case Tone::Quiet:
        return quiet;
    case Tone::Missing:
        return missing;
    case Tone::Open:
        return open;
    case Tone::Plain:
        break;
    }
    return black;
}

enum class Kind { Title, Heading, Text };

struct Unref {
    void operator()(void* object) const { g_object_unref(object); }
};
using Layout = std::unique_ptr<PangoLayout, Unref>;

/// What stands on a page.
struct Mark {
    Layout text; // or a line, or a picture
    Kind kind = Kind::Text;
    Ink ink = black;
    double x = 0, y = 0, width = 0; // of a line: to where
    int line = -1;                  // of the text, which begins at its top; -1: all of it
    size_t picture = SIZE_MAX;      // the item it is of
};
using Page = std::vector<Mark>;

struct Surface {
    void operator()(cairo_surface_t* s) const { cairo_surface_destroy(s); }
};
struct Context {
    void operator()(cairo_t* c) const { cairo_destroy(c); }
};
using SurfacePtr = std::unique_ptr<cairo_surface_t, Surface>;
using CairoPtr = std::unique_ptr<cairo_t, Context>;

/// What cannot be shown: control characters, bytes that are no text.
std::string cleaned(std::string_view text) {
    std::string out;
    for (const char c : text::isUtf8(text) ? std::string(text) : text::forDisplay(text))
        if (const auto u = static_cast<unsigned char>(c); (u >= 0x20 && u != 0x7F) || c == '\n' || c == '\t')
            out += c;
    return out;
}

cairo_surface_t* surfaceOf(const pictures::Square& square) {
    cairo_surface_t* out = cairo_image_surface_create(CAIRO_FORMAT_RGB24, square.side, square.side);
    if (cairo_surface_status(out) != CAIRO_STATUS_SUCCESS)
        return out;
    cairo_surface_flush(out);
    unsigned char* to = cairo_image_surface_get_data(out);
    const int stride = cairo_image_surface_get_stride(out);
    for (int y = 0; y < square.side; ++y)
        for (int x = 0; x < square.side; ++x) {
            const auto* from =
                reinterpret_cast<const unsigned char*>(square.pixels.data()) +
                (static_cast<size_t>(y) * static_cast<size_t>(square.side) + static_cast<size_t>(x)) * 4;
            // What can be seen through stands on white paper.
            auto onWhite = [&](unsigned char v) {
                return static_cast<uint32_t>((v * from[3] + 255 * (255 - from[3])) / 255);
            };
            auto* pixel = reinterpret_cast<uint32_t*>(to + static_cast<ptrdiff_t>(y) * stride) + x;
            *pixel = onWhite(from[0]) << 16 | onWhite(from[1]) << 8 | onWhite(from[2]);
        }
    cairo_surface_mark_dirty(out);
    return out;
}

} // namespace

struct SheetPages::Laid {
    Laid(const SheetDocument& document, const SheetPictures& pictures, int64_t when, const PageSize& size);

    Layout layout(std::string_view text, Kind kind, const Cell& cell, double width = -1) const;
    /// Cells with dots between them, each in its colour and face; it wraps as a whole.
    Layout lineOf(const Row& row, double width) const;
    static double heightOf(const Layout& layout);
    static double widthOf(const Layout& layout);
    double bottom() const { return size.height - margin - footHeight; }
    double inner() const { return size.width - 2 * margin; }
    void newPage();
    /// Begins another page where that much is not left; never on a fresh one.
    void need(double height);
    void put(Layout text, Kind kind, Ink ink, double x);
    /// Line by line, over as many pages as it takes.
    void flow(const std::string& text, const Cell& cell);
    void item(const SheetItem& item, size_t at);
    void head(const SheetItem& item, size_t at);
    void part(const SheetPart& part, const std::vector<double>& widths);
    void row(const SheetPart& part, const Row& cells, const std::vector<double>& widths);
    /// Of tables that stand under one another: they have the same columns.
    std::vector<double> widthsOf(std::span<const SheetPart> parts) const;
    void feet(const SheetDocument& document);
    void draw(cairo_t* cairo, const Page& page) const;

    PageSize size;
    int64_t when;
    std::unique_ptr<PangoFontMap, Unref> fonts;
    std::unique_ptr<PangoContext, Unref> context;
    std::map<size_t, SurfacePtr> surfaces;
    std::vector<Page> pages;
    double y = margin;
    std::string title, author, subject;
    std::vector<std::string> keywords;
};

SheetPages::Laid::Laid(const SheetDocument& document, const SheetPictures& pictures, int64_t at,
                       const PageSize& paper)
    : size(paper), when(at), fonts(pageFonts()), context(pango_font_map_create_context(fonts.get())),
      title(cleaned(document.title)), author(cleaned(document.author)), subject(cleaned(document.subject)) {
    for (const std::string& word : document.keywords)
        keywords.push_back(cleaned(word));
    // Laid out without regard to pixels: the page is the same on a screen and on paper.
    cairo_font_options_t* options = cairo_font_options_create();
    cairo_font_options_set_hint_style(options, CAIRO_HINT_STYLE_NONE);
    cairo_font_options_set_hint_metrics(options, CAIRO_HINT_METRICS_OFF);
    cairo_font_options_set_antialias(options, CAIRO_ANTIALIAS_GRAY);
    pango_cairo_context_set_font_options(context.get(), options);
    cairo_font_options_destroy(options);
    pango_cairo_context_set_resolution(context.get(), 72);
    pango_context_set_round_glyph_positions(context.get(), FALSE);
    for (const auto& [item, picture] : pictures)
        surfaces[item] = SurfacePtr(surfaceOf(picture.square));
    pages.emplace_back();
    for (size_t i = 0; i < document.items.size(); ++i)
        item(document.items[i], i);
    feet(document);
}

Layout SheetPages::Laid::layout(std::string_view text, Kind kind, const Cell& cell, double width) const {
    Layout out(pango_layout_new(context.get()));
    PangoFontDescription* font = pango_font_description_new();
    pango_font_description_set_family(font, cell.isCode ? codeFace : textFace);
    const double points = kind == Kind::Title ? 19 : kind == Kind::Heading ? 9.5 : cell.isCode ? 8.3 : 9.2;
    pango_font_description_set_absolute_size(font, points * PANGO_SCALE);
    if (kind != Kind::Text)
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

Layout SheetPages::Laid::lineOf(const Row& row, double width) const {
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
        const Ink ink = inkOf(cell);
        over(pango_attr_foreground_new(part(ink.red), part(ink.green), part(ink.blue)), from);
        if (cell.isCode) {
            over(pango_attr_family_new(codeFace), from);
            over(pango_attr_size_new_absolute(static_cast<int>(8.3 * PANGO_SCALE)), from);
        }
    }
    Layout out = layout(text, Kind::Text, {}, width);
    PangoAttrList* list = pango_layout_get_attributes(out.get());
    for (PangoAttribute* attribute : attributes)
        pango_attr_list_insert(list, attribute);
    return out;
}

double SheetPages::Laid::heightOf(const Layout& layout) {
    PangoRectangle rect;
    pango_layout_get_extents(layout.get(), nullptr, &rect);
    return static_cast<double>(rect.height) / PANGO_SCALE;
}

double SheetPages::Laid::widthOf(const Layout& layout) {
    PangoRectangle rect;
    pango_layout_get_extents(layout.get(), nullptr, &rect);
    return static_cast<double>(rect.width) / PANGO_SCALE;
}

void SheetPages::Laid::newPage() {
    pages.emplace_back();
    y = margin;
}

void SheetPages::Laid::need(double height) {
    if (y + height > bottom() && y > margin)
        newPage();
}

void SheetPages::Laid::put(Layout text, Kind kind, Ink ink, double x) {
    Mark& mark = pages.back().emplace_back();
    mark.text = std::move(text);
    mark.kind = kind;
    mark.ink = ink;
    mark.x = x;
    mark.y = y;
}

void SheetPages::Laid::flow(const std::string& text, const Cell& cell) {
    // A paragraph is a layout of its own: a page has whole lines, and what goes on is on the next.
    for (const std::string& paragraph : text::split(text, "\n")) {
        Layout all = layout(paragraph, Kind::Text, cell, inner());
        if (y + heightOf(all) <= bottom()) {
            const double height = heightOf(all);
            put(std::move(all), Kind::Text, inkOf(cell), margin);
            y += height;
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
            Layout one = layout(line, Kind::Text, cell);
            const double height = heightOf(one);
            need(height);
            put(std::move(one), Kind::Text, inkOf(cell), margin);
            y += height;
        }
    }
}

void SheetPages::Laid::head(const SheetItem& item, size_t at) {
    const bool pictured = surfaces.contains(at);
    const double x = pictured ? margin + pictureSide + pictureGap : margin;
    const double width = size.width - margin - x;
    std::vector<Layout> lines;
    double height = 0;
    Layout titled = layout(item.title, Kind::Title, {}, width);
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
    need(std::max(height, pictured ? pictureSide : 0.0) + 70); // and something below it
    const double top = y;
    if (pictured) {
        Mark& mark = pages.back().emplace_back();
        mark.picture = at;
        mark.x = margin;
        mark.y = y;
    }
    const double titleHeight = heightOf(titled);
    put(std::move(titled), Kind::Title, black, x);
    y += titleHeight + 2;
    for (Layout& line : lines) {
        const double lineHeight = heightOf(line);
        put(std::move(line), Kind::Text, black, x);
        y += lineHeight + 1;
    }
    if (pictured)
        y = std::max(y, top + pictureSide);
}

void SheetPages::Laid::item(const SheetItem& what, size_t at) {
    if (at > 0) {
        if (what.ownPage && y > margin)
            newPage();
        else if (y > margin)
            y += itemGap;
    }
    head(what, at);
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

void SheetPages::Laid::part(const SheetPart& what, const std::vector<double>& widths) {
    Layout heading = layout(what.heading, Kind::Heading, {}, inner());
    const double height = heightOf(heading);
    y += partGap;
    need(height + 30); // a heading does not stand alone at the end of a page
    put(std::move(heading), Kind::Heading, black, margin);
    y += height + 2;
    for (const Row& cells : what.rows)
        row(what, cells, widths);
    if (!what.rows.empty())
        y += 2;
    for (const Cell& paragraph : what.paragraphs)
        flow(paragraph.text, paragraph);
}

std::vector<double> SheetPages::Laid::widthsOf(std::span<const SheetPart> parts) const {
    std::vector<double> widths;
    for (const SheetPart& what : parts)
        for (const Row& row : what.rows)
            for (size_t i = 0; i < row.size(); ++i) {
                if (widths.size() <= i)
                    widths.resize(i + 1);
                if (!row[i].text.empty())
                    widths[i] =
                        std::max(widths[i], std::ceil(widthOf(layout(row[i].text, Kind::Text, row[i])) + 1));
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

void SheetPages::Laid::row(const SheetPart& what, const Row& cells, const std::vector<double>& widths) {
    std::vector<Layout> layouts(widths.size());
    double height = 0;
    for (size_t i = 0; i < cells.size(); ++i)
        if (!cells[i].text.empty()) {
            layouts[i] = layout(cells[i].text, Kind::Text, cells[i], widths[i] + 0.5);
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
    y += rowGap;
    double x = margin;
    for (size_t i = 0; i < widths.size(); ++i) {
        if (layouts[i])
            put(std::move(layouts[i]), Kind::Text, inkOf(cells[i]), x);
        if (widths[i] > 0)
            x += widths[i] + columnGap;
    }
    y += height + rowGap;
    Mark& line = pages.back().emplace_back();
    line.ink = rule;
    line.x = margin;
    line.y = y;
    line.width = inner();
}

void SheetPages::Laid::feet(const SheetDocument& document) {
    for (size_t i = 0; i < pages.size(); ++i) {
        const Cell cell{"", Tone::Quiet, false};
        Layout name = layout(document.title, Kind::Text, cell, inner() * 0.7);
        pango_layout_set_ellipsize(name.get(), PANGO_ELLIPSIZE_END);
        pango_layout_set_height(name.get(), -1);
        Layout number = layout(fmt::format("{} / {}", i + 1, pages.size()), Kind::Text, cell, inner() * 0.3);
        pango_layout_set_alignment(number.get(), PANGO_ALIGN_RIGHT);
        for (auto& [text, x] : {std::pair(&name, margin), {&number, margin + inner() * 0.7}}) {
            Mark& mark = pages[i].emplace_back();
            mark.text = std::move(*text);
            mark.ink = quiet;
            mark.x = x;
            mark.y = size.height - margin - 8;
        }
    }
}

void SheetPages::Laid::draw(cairo_t* cairo, const Page& page) const {
    cairo_set_source_rgb(cairo, white.red, white.green, white.blue);
    cairo_paint(cairo);
    for (const Mark& mark : page) {
        cairo_set_source_rgb(cairo, mark.ink.red, mark.ink.green, mark.ink.blue);
        if (mark.text) {
            const char* tag = mark.kind == Kind::Title ? "H1" : mark.kind == Kind::Heading ? "H2" : "P";
            cairo_tag_begin(cairo, tag, nullptr);
            cairo_move_to(cairo, mark.x, mark.y);
            pango_cairo_show_layout(cairo, mark.text.get());
            cairo_tag_end(cairo, tag);
        } else if (mark.picture != SIZE_MAX) {
            cairo_surface_t* surface = surfaces.at(mark.picture).get();
            const double scale = pictureSide / cairo_image_surface_get_width(surface);
            cairo_save(cairo);
            cairo_translate(cairo, mark.x, mark.y);
            cairo_scale(cairo, scale, scale);
            cairo_set_source_surface(cairo, surface, 0, 0);
            cairo_pattern_set_filter(cairo_get_source(cairo), CAIRO_FILTER_GOOD);
            cairo_paint(cairo);
            cairo_restore(cairo);
        } else {
            cairo_set_line_width(cairo, 0.6);
            cairo_move_to(cairo, mark.x, mark.y);
            cairo_line_to(cairo, mark.x + mark.width, mark.y);
            cairo_stroke(cairo);
        }
    }
}

SheetPages::SheetPages(const SheetDocument& document, const SheetPictures& pictures, int64_t when,
                       const PageSize& size)
    : laid_(std::make_unique<Laid>(document, pictures, when, size)) {}

SheetPages::~SheetPages() = default;

size_t SheetPages::count() const {
    return laid_->pages.size();
}

const PageSize& SheetPages::size() const {
    return laid_->size;
}

Result<std::string> SheetPages::pdf() const {
    std::string out;
    const auto take = [](void* to, const unsigned char* data, unsigned int length) {
        static_cast<std::string*>(to)->append(reinterpret_cast<const char*>(data), length);
        return CAIRO_STATUS_SUCCESS;
    };
    const SurfacePtr surface(
        cairo_pdf_surface_create_for_stream(take, &out, laid_->size.width, laid_->size.height));
    auto property = [&](cairo_pdf_metadata_t what, const std::string& text) {
        if (!text.empty())
            cairo_pdf_surface_set_metadata(surface.get(), what, text.c_str());
    };
    property(CAIRO_PDF_METADATA_TITLE, laid_->title);
    property(CAIRO_PDF_METADATA_AUTHOR, laid_->author);
    property(CAIRO_PDF_METADATA_SUBJECT, laid_->subject);
    property(CAIRO_PDF_METADATA_KEYWORDS, text::join(laid_->keywords, ", "));
    property(CAIRO_PDF_METADATA_CREATOR, "Moorfrost");
    property(CAIRO_PDF_METADATA_CREATE_DATE,
             fmt::format("{:%Y-%m-%dT%H:%M:%S}Z", fmt::gmtime(static_cast<std::time_t>(laid_->when))));
    {
        const CairoPtr cairo(cairo_create(surface.get()));
        for (const Page& page : laid_->pages) {
            laid_->draw(cairo.get(), page);
            cairo_show_page(cairo.get());
        }
        if (const auto status = cairo_status(cairo.get()); status != CAIRO_STATUS_SUCCESS)
            return Error{ErrorKind::Unsupported,
                         {},
                         fmt::format("The PDF cannot be made: {}.", cairo_status_to_string(status))};
    }
    cairo_surface_finish(surface.get());
    if (const auto status = cairo_surface_status(surface.get()); status != CAIRO_STATUS_SUCCESS)
        return Error{ErrorKind::Unsupported,
                     {},
                     fmt::format("The PDF cannot be made: {}.", cairo_status_to_string(status))};
    return out;
}

SheetPages::Picture SheetPages::page(size_t at, double scale) const {
    Picture out;
    if (at >= laid_->pages.size())
        return out;
    out.width = std::max(1, static_cast<int>(std::lround(laid_->size.width * scale)));
    out.height = std::max(1, static_cast<int>(std::lround(laid_->size.height * scale)));
    const SurfacePtr surface(cairo_image_surface_create(CAIRO_FORMAT_RGB24, out.width, out.height));
    {
        const CairoPtr cairo(cairo_create(surface.get()));
        cairo_scale(cairo.get(), scale, scale);
        laid_->draw(cairo.get(), laid_->pages[at]);
    }
    cairo_surface_flush(surface.get());
    const unsigned char* data = cairo_image_surface_get_data(surface.get());
    const auto stride = static_cast<size_t>(cairo_image_surface_get_stride(surface.get()));
    const auto line = static_cast<size_t>(out.width) * 4;
    out.pixels.reserve(line * static_cast<size_t>(out.height));
    for (int y = 0; data && y < out.height; ++y)
        out.pixels.append(reinterpret_cast<const char*>(data) + static_cast<size_t>(y) * stride, line);
    return out;
}

} // namespace moorfrost::deliver
