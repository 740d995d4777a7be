// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/pictures/recode.h"

#include <algorithm>
#include <cmath>
#include <csetjmp>
#include <cstdio>
#include <cstdlib>

#include <jpeglib.h>

namespace moorfrost::pictures {

namespace {

/// libjpeg ends the program where it fails, unless it is told where to go.
struct Failing {
    jpeg_error_mgr manager;
    std::jmp_buf back;
};

[[noreturn]] void giveUp(j_common_ptr info) {
    std::longjmp(reinterpret_cast<Failing*>(info->err)->back, 1);
}

/// "" if it fails. `pixels`: four bytes each; nothing here has a destructor that a jump would leave out.
std::string encoded(const Raster& raster, int quality) {
    jpeg_compress_struct info;
    Failing failing;
    unsigned char* bytes = nullptr;
    unsigned long size = 0;
    auto* line = static_cast<unsigned char*>(std::malloc(static_cast<size_t>(raster.width) * 3));
    if (!line)
        return {};
    info.err = jpeg_std_error(&failing.manager);
    failing.manager.error_exit = giveUp;
    failing.manager.output_message = [](j_common_ptr) {};
    if (setjmp(failing.back)) {
        jpeg_destroy_compress(&info);
        std::free(bytes);
        std::free(line);
        return {};
    }
    jpeg_create_compress(&info);
    jpeg_mem_dest(&info, &bytes, &size);
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
    const auto* from = reinterpret_cast<const unsigned char*>(raster.pixels.data());
    while (info.next_scanline < info.image_height) {
        for (int x = 0; x < raster.width; ++x, from += 4)
            for (int c = 0; c < 3; ++c) // over white
                line[x * 3 + c] =
                    static_cast<unsigned char>((from[c] * from[3] + 255 * (255 - from[3]) + 127) / 255);
        JSAMPROW rows[] = {line};
        jpeg_write_scanlines(&info, rows, 1);
    }
    jpeg_finish_compress(&info);
    jpeg_destroy_compress(&info);
    std::string out(reinterpret_cast<const char*>(bytes), size);
    std::free(bytes);
    std::free(line);
    return out;
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
