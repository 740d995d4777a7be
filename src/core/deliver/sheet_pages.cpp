// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/deliver/sheet_pages.h"

#include <cairo-pdf.h>

#include <algorithm>
#include <cmath>
#include <ctime>

#include <fmt/chrono.h>
#include <fmt/format.h>

#include "core/deliver/laid_pages.h"
#include "core/text/text.h"

namespace moorfrost::deliver {

namespace {

struct Surface {
    void operator()(cairo_surface_t* s) const { cairo_surface_destroy(s); }
};
struct Context {
    void operator()(cairo_t* c) const { cairo_destroy(c); }
};
using SurfacePtr = std::unique_ptr<cairo_surface_t, Surface>;
using CairoPtr = std::unique_ptr<cairo_t, Context>;

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

Error notMade(cairo_status_t status) {
    return {ErrorKind::Unsupported,
            {},
            fmt::format("The PDF cannot be made: {}.", cairo_status_to_string(status))};
}

} // namespace

struct SheetPages::Laid {
    Laid(const SheetDocument& document, const SheetPictures& pictures, int64_t at, const PageSize& size)
        : pages(document, pictures, size), when(at), title(cleaned(document.title)),
          author(cleaned(document.author)), subject(cleaned(document.subject)) {
        for (const std::string& word : document.keywords)
            keywords.push_back(cleaned(word));
        for (const auto& [item, picture] : pictures)
            surfaces[item] = SurfacePtr(surfaceOf(picture.square));
    }
    void draw(cairo_t* cairo, const Page& page) const;

    LaidPages pages;
    std::map<size_t, SurfacePtr> surfaces; // by item
    int64_t when;
    std::string title, author, subject;
    std::vector<std::string> keywords;
};

void SheetPages::Laid::draw(cairo_t* cairo, const Page& page) const {
    cairo_set_source_rgb(cairo, ink::white.red, ink::white.green, ink::white.blue);
    cairo_paint(cairo);
    for (const Mark& mark : page) {
        cairo_set_source_rgb(cairo, mark.colour.red, mark.colour.green, mark.colour.blue);
        if (mark.text) {
            const char* tag = mark.kind == TextKind::Title     ? "H1"
                              : mark.kind == TextKind::Heading ? "H2"
                                                               : "P";
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
    return laid_->pages.pages().size();
}

const PageSize& SheetPages::size() const {
    return laid_->pages.size();
}

Result<std::string> SheetPages::pdf() const {
    std::string out;
    const auto take = [](void* to, const unsigned char* data, unsigned int length) {
        static_cast<std::string*>(to)->append(reinterpret_cast<const char*>(data), length);
        return CAIRO_STATUS_SUCCESS;
    };
    const SurfacePtr surface(cairo_pdf_surface_create_for_stream(take, &out, laid_->pages.size().width,
                                                                 laid_->pages.size().height));
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
        for (const Page& page : laid_->pages.pages()) {
            laid_->draw(cairo.get(), page);
            cairo_show_page(cairo.get());
        }
        if (const auto status = cairo_status(cairo.get()); status != CAIRO_STATUS_SUCCESS)
            return notMade(status);
    }
    cairo_surface_finish(surface.get());
    if (const auto status = cairo_surface_status(surface.get()); status != CAIRO_STATUS_SUCCESS)
        return notMade(status);
    return out;
}

SheetPages::Picture SheetPages::page(size_t at, double scale) const {
    Picture out;
    if (at >= laid_->pages.pages().size())
        return out;
    out.width = std::max(1, static_cast<int>(std::lround(laid_->pages.size().width * scale)));
    out.height = std::max(1, static_cast<int>(std::lround(laid_->pages.size().height * scale)));
    const SurfacePtr surface(cairo_image_surface_create(CAIRO_FORMAT_RGB24, out.width, out.height));
    {
        const CairoPtr cairo(cairo_create(surface.get()));
        cairo_scale(cairo.get(), scale, scale);
        laid_->draw(cairo.get(), laid_->pages.pages()[at]);
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
