// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/pictures/recode.h"

#include <algorithm>
#include <cmath>
#include <csetjmp>
#include <cstdio>
#include <cstdlib>
#include <memory>
#include <vector>

#include <jpeglib.h>

namespace moorfrost::pictures {

namespace {

/// libjpeg ends the program where it fails, unless it is told where to go. What it changes must not be a
/// variable of the function that is come back to.
struct Encoding {
    jpeg_error_mgr manager;
    std::jmp_buf back;
    jpeg_compress_struct info;
    unsigned char* bytes = nullptr;
    unsigned long size = 0;
    std::vector<unsigned char> line;

    ~Encoding() {
        jpeg_destroy_compress(&info);
        std::free(bytes);
    }
};

[[noreturn]] void giveUp(j_common_ptr info) {
    std::longjmp(static_cast<Encoding*>(info->client_data)->back, 1);
}

/// "" if it fails. `pixels`: four bytes each.
std::string encoded(const Raster& raster, int quality) {
    const auto state = std::make_unique<Encoding>();
    jpeg_compress_struct& info = state->info;
    info = {};
    state->line.resize(static_cast<size_t>(raster.width) * 3);
    info.err = jpeg_std_error(&state->manager);
    info.client_data = state.get();
    state->manager.error_exit = giveUp;
    state->manager.output_message = [](j_common_ptr) {};
    if (setjmp(state->back))
        return {};
    jpeg_create_compress(&info);
    jpeg_mem_dest(&info, &state->bytes, &state->size);
    info.image_width = static_cast<JDIMENSION>(raster.width);
    info.image_height = static_cast<JDIMENSION>(raster.height);
    info.input_components = 3;
    info.in_color_space = JCS_RGB;
    jpeg_set_defaults(&info);
    jpeg_set_quality(&info, quality, TRUE);
    info.optimize_coding = TRUE;
    if (quality >= 90) // fine detail of colours stays, too
        for (int c = 0; c < info.num_components; ++c)
            info.comp_info[c].h_samp_factor = info.comp_info[c].v_samp_factor = 1;
    jpeg_start_compress(&info, TRUE);
    while (info.next_scanline < info.image_height) {
        const auto* from = reinterpret_cast<const unsigned char*>(raster.pixels.data()) +
                           size_t{info.next_scanline} * static_cast<size_t>(raster.width) * 4;
        unsigned char* to = state->line.data();
        for (int x = 0; x < raster.width; ++x, from += 4)
            for (int c = 0; c < 3; ++c) // over white
                *to++ = static_cast<unsigned char>((from[c] * from[3] + 255 * (255 - from[3]) + 127) / 255);
        JSAMPROW rows[] = {state->line.data()};
        jpeg_write_scanlines(&info, rows, 1);
    }
    jpeg_finish_compress(&info);
    return {reinterpret_cast<const char*>(state->bytes), state->size};
}

} // namespace

Result<Fitted> fit(std::string_view data, const FitRule& rule) {
    if (rule.side < 64 || rule.side > 4096 || rule.bytes < 10'000 || rule.quality < 40 || rule.quality > 98)
        return Error{ErrorKind::Invalid, {}, "The rule for pictures makes no sense."};
    constexpr int leastSide = 100, leastQuality = 60;
    for (double side = rule.side; side >= leastSide; side *= 0.85) {
        Result<Raster> raster = rasterOf(data, static_cast<int>(side));
        if (!raster)
            return raster.error();
        for (int quality = rule.quality;;
             quality = std::max(std::min(leastQuality, rule.quality), quality - 6)) {
            std::string jpeg = encoded(*raster, quality);
            if (jpeg.empty())
                return Error{ErrorKind::Unsupported, {}, "The picture could not be encoded."};
            if (jpeg.size() <= rule.bytes)
                return Fitted{std::move(jpeg), raster->width, raster->height, quality};
            if (quality <= leastQuality)
                break;
        }
        side =
            std::min(side, static_cast<double>(std::max(raster->width, raster->height))); // it may be small
    }
    return Error{ErrorKind::Unsupported, {}, "The picture will not fit into so few bytes."};
}

} // namespace moorfrost::pictures
