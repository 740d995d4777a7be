// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/measure/spectrogram_image.h"

#include <algorithm>
#include <cmath>
#include <memory>

#include <cairo.h>
#include <fmt/format.h>
#include <pango/pangocairo.h>

namespace moorfrost::measure {

namespace {

constexpr int leftRoom = 58, topRoom = 40, waveHeight = 70, axisHeight = 26, rightRoom = 16, gap = 8;

struct Freed {
    void operator()(cairo_surface_t* p) const { cairo_surface_destroy(p); }
    void operator()(cairo_t* p) const { cairo_destroy(p); }
    void operator()(PangoLayout* p) const { g_object_unref(p); }
    void operator()(PangoFontDescription* p) const { pango_font_description_free(p); }
};
template<class T>
using Owned = std::unique_ptr<T, Freed>;

class Sheet {
public:
    Sheet(int width, int height)
        : surface_(cairo_image_surface_create(CAIRO_FORMAT_RGB24, width, height)),
          cairo_(cairo_create(surface_.get())) {
        colour(0xFF, 0xFF, 0xFF);
        cairo_paint(cairo_.get());
    }
    cairo_t* cairo() const { return cairo_.get(); }
    void colour(int r, int g, int b) const {
        cairo_set_source_rgb(cairo_.get(), r / 255.0, g / 255.0, b / 255.0);
    }
    /// `x`: of its left edge (0), its middle (0.5), its right edge (1); `y` of its middle.
    void text(double x, double y, double part, const std::string& text, int size, bool bold = false) const {
        const Owned<PangoLayout> layout(pango_cairo_create_layout(cairo_.get()));
        const Owned<PangoFontDescription> font(pango_font_description_from_string(
            fmt::format("Sans {} {}px", bold ? "Bold" : "", size).c_str()));
        pango_layout_set_font_description(layout.get(), font.get());
        pango_layout_set_text(layout.get(), text.data(), static_cast<int>(text.size()));
        int width = 0, height = 0;
        pango_layout_get_pixel_size(layout.get(), &width, &height);
        cairo_move_to(cairo_.get(), x - width * part, y - height / 2.0);
        pango_cairo_show_layout(cairo_.get(), layout.get());
    }
    Result<std::string> png() const {
        std::string out;
        const auto take = [](void* to, const unsigned char* bytes, unsigned n) {
            static_cast<std::string*>(to)->append(reinterpret_cast<const char*>(bytes), n);
            return CAIRO_STATUS_SUCCESS;
        };
        if (cairo_surface_write_to_png_stream(surface_.get(), take, &out) != CAIRO_STATUS_SUCCESS)
            return Error{ErrorKind::Io, {}, "The picture cannot be made."};
        return out;
    }

private:
    Owned<cairo_surface_t> surface_;
    Owned<cairo_t> cairo_;
};

void paintLevels(const Sheet& sheet, const Spectrogram& s) {
    const int width = s.frame.columns, height = s.frame.rows;
    const Owned<cairo_surface_t> picture(cairo_image_surface_create(CAIRO_FORMAT_RGB24, width, height));
    cairo_surface_flush(picture.get());
    unsigned char* data = cairo_image_surface_get_data(picture.get());
    const int stride = cairo_image_surface_get_stride(picture.get());
    for (int row = 0; row < height; ++row) {
        auto* to = reinterpret_cast<uint32_t*>(data + static_cast<std::ptrdiff_t>(height - 1 - row) * stride);
        for (int column = 0; column < width; ++column) {
            const auto [r, g, b] = colourOf(s.level(column, row));
            to[column] = static_cast<uint32_t>(r << 16 | g << 8 | b);
        }
    }
    cairo_surface_mark_dirty(picture.get());
    cairo_set_source_surface(sheet.cairo(), picture.get(), leftRoom, topRoom);
    cairo_paint(sheet.cairo());
}

} // namespace

void Spectrogram::begin(const SpectrogramFrame& f) {
    frame = f;
    levels.clear();
    wave.clear();
}

void Spectrogram::add(SpectrogramPart&& part) {
    if (part.first != columns())
        return; // they come in their order
    levels.insert(levels.end(), part.levels.begin(), part.levels.end());
    wave.insert(wave.end(), part.wave.begin(), part.wave.end());
}

uint8_t Spectrogram::level(int column, int row) const {
    const size_t at =
        static_cast<size_t>(column) * static_cast<size_t>(frame.rows) + static_cast<size_t>(row);
    return column >= 0 && row >= 0 && row < frame.rows && at < levels.size() ? levels[at] : 0;
}

std::string timeText(double seconds, double step) {
    const int digits = step >= 1 ? 0 : step >= 0.1 ? 1 : step >= 0.01 ? 2 : 3;
    const double unit = std::pow(10, digits);
    const double rounded = std::round(std::max(0.0, seconds) * unit) / unit;
    const auto whole = static_cast<int64_t>(rounded);
    const std::string part =
        digits > 0 ? fmt::format("{:.{}f}", rounded - static_cast<double>(whole), digits).substr(1) : "";
    if (whole >= 3600)
        return fmt::format("{}:{:02}:{:02}{}", whole / 3600, whole / 60 % 60, whole % 60, part);
    return fmt::format("{}:{:02}{}", whole / 60, whole % 60, part);
}

double axisStep(double length, int most, bool time) {
    static constexpr double times[] = {0.001, 0.002, 0.005, 0.01, 0.02, 0.05, 0.1,  0.2,
                                       0.5,   1,     2,     5,    10,   15,   30,   60,
                                       120,   300,   600,   900,  1800, 3600, 7200, 14400};
    if (time) {
        for (const double step : times)
            if (length / step <= most)
                return step;
        return 86400;
    }
    double step = 1;
    for (int i = 0; length / step > most; ++i)
        step *= i % 3 == 1 ? 2.5 : 2; // 1, 2, 5, 10 ...
    return step;
}

Result<std::string> spectrogramPng(const Spectrogram& s, const std::string& title, double line,
                                   const std::string& lineText) {
    const SpectrogramFrame& f = s.frame;
    const int width = leftRoom + f.columns + rightRoom;
    const int bottom = topRoom + f.rows;
    const Sheet sheet(width, bottom + gap + waveHeight + axisHeight);
    sheet.colour(0x1F, 0x2A, 0x33);
    sheet.text(leftRoom, topRoom / 2.0, 0, title, 14, true);
    paintLevels(sheet, s);
    auto x = [&](double seconds) { return leftRoom + (seconds - f.from) / (f.to - f.from) * f.columns; };
    auto y = [&](double hertz) { return bottom - (hertz - f.lowest) / (f.highest - f.lowest) * f.rows; };
    sheet.colour(0x5B, 0x6B, 0x77);
    const double hertzStep = axisStep(f.highest - f.lowest, std::max(2, f.rows / 40), false);
    for (double hertz = std::ceil(f.lowest / hertzStep) * hertzStep; hertz <= f.highest; hertz += hertzStep)
        sheet.text(leftRoom - 6, y(hertz), 1,
                   f.highest > 2000 ? fmt::format("{:g} kHz", hertz / 1000) : fmt::format("{:g} Hz", hertz),
                   11);
    const double timeStep = axisStep(f.to - f.from, std::max(2, f.columns / 90), true);
    for (double at = std::ceil(f.from / timeStep) * timeStep; at <= f.to; at += timeStep)
        sheet.text(x(at), bottom + gap + waveHeight + axisHeight / 2.0, 0.5, timeText(at, timeStep), 11);
    cairo_t* c = sheet.cairo();
    sheet.colour(0x6B, 0x4C, 0x8C);
    const double middle = bottom + gap + waveHeight / 2.0;
    for (int column = 0; column < s.columns(); ++column) {
        const auto [low, high] = s.wave[static_cast<size_t>(column)];
        const double top = std::clamp(static_cast<double>(high), -1.0, 1.0) * waveHeight / 2,
                     under = std::clamp(static_cast<double>(low), -1.0, 1.0) * waveHeight / 2;
        cairo_rectangle(c, leftRoom + column, middle - top, 1, std::max(1.0, top - under));
    }
    cairo_fill(c);
    if (line > f.lowest && line < f.highest) {
        sheet.colour(0xF2, 0x8B, 0x8B);
        const double dashes[] = {6, 4};
        cairo_set_dash(c, dashes, 2, 0);
        cairo_set_line_width(c, 1);
        cairo_move_to(c, leftRoom, std::round(y(line)) + 0.5);
        cairo_line_to(c, leftRoom + f.columns, std::round(y(line)) + 0.5);
        cairo_stroke(c);
        if (!lineText.empty())
            sheet.text(leftRoom + f.columns - 10, y(line) - 10, 1, lineText, 12);
    }
    return sheet.png();
}

} // namespace moorfrost::measure
