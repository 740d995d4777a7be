// SPDX-License-Identifier: GPL-3.0-or-later
#include "demo/pictures.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "demo/encode.h"

namespace moorfrost::demo {

namespace {
struct Colour {
    double r, g, b;
};
Colour mix(Colour a, Colour b, double t) {
    return {a.r + (b.r - a.r) * t, a.g + (b.g - a.g) * t, a.b + (b.b - a.b) * t};
}
} // namespace

std::string drawCover(uint32_t seed, int size, bool png) {
    static constexpr std::array<std::array<Colour, 4>, 6> palettes = {{
        {{{196, 138, 90}, {240, 214, 178}, {120, 78, 58}, {250, 240, 220}}},
        {{{84, 116, 140}, {190, 208, 218}, {40, 62, 80}, {240, 232, 210}}},
        {{{74, 118, 98}, {178, 204, 184}, {34, 60, 50}, {236, 226, 180}}},
        {{{120, 96, 160}, {206, 190, 224}, {62, 44, 92}, {246, 226, 236}}},
        {{{160, 80, 86}, {230, 196, 190}, {88, 40, 48}, {250, 232, 214}}},
        {{{60, 72, 96}, {148, 164, 190}, {26, 32, 48}, {228, 214, 150}}},
    }};
    const auto& p = palettes[seed % palettes.size()];
    double horizon = 0.55 + 0.1 * ((seed * 7) % 5) / 5.0;
    double sunX = 0.2 + 0.6 * ((seed * 13) % 11) / 11.0, sunY = horizon - 0.18 - 0.02 * (seed % 7),
           sunR = 0.06 + 0.012 * (seed % 5);
    std::string rgb(static_cast<size_t>(size) * static_cast<size_t>(size) * 3, '\0');
    for (int y = 0; y < size; ++y)
        for (int x = 0; x < size; ++x) {
            double u = static_cast<double>(x) / size, v = static_cast<double>(y) / size;
            double hill =
                horizon - 0.10 * std::sin(3.1 * u + seed) - 0.05 * std::sin(9 * u + seed * 2.0) + 0.08;
            double far = horizon - 0.16 * std::fabs(std::sin(2.3 * u + seed * 0.7)) + 0.02;
            Colour c = mix(p[0], p[1], v / horizon);
            double d = std::hypot(u - sunX, v - sunY) / sunR;
            if (d < 1)
                c = p[3];
            else
                c = mix(p[3], c, std::clamp((d - 1) / 2.5 + 0.55, 0.0, 1.0));
            if (v > far)
                c = mix(p[0], p[2], 0.45);
            if (v > hill)
                c = mix(p[2], {0, 0, 0}, 0.1 + 0.3 * (v - hill));
            if (v > horizon + 0.2) {
                double wave = 0.5 + 0.5 * std::sin(60 * v * v + 8 * std::sin(5 * u + 20 * v));
                c = mix(mix(p[2], p[0], 0.35), p[1], 0.16 * wave);
            }
            auto at = 3 * (static_cast<size_t>(y) * static_cast<size_t>(size) + static_cast<size_t>(x));
            rgb[at] = static_cast<char>(static_cast<uint8_t>(std::clamp(c.r, 0.0, 255.0)));
            rgb[at + 1] = static_cast<char>(static_cast<uint8_t>(std::clamp(c.g, 0.0, 255.0)));
            rgb[at + 2] = static_cast<char>(static_cast<uint8_t>(std::clamp(c.b, 0.0, 255.0)));
        }
    return encodePicture(rgb, size, size, !png);
}

} // namespace moorfrost::demo
