// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/pictures/detail.h"

#include <algorithm>
#include <cmath>
#include <memory>
#include <numbers>
#include <vector>

extern "C" {
#include <libavutil/mem.h>
#include <libavutil/tx.h>
}

namespace moorfrost::pictures {

namespace {

constexpr int leastSide = 64, mostWindow = 1024, lines = 96;
constexpr double breaksOff = 0.25; // of what is expected at a frequency
constexpr double rollOff = 0.87;   // filters leave something beyond: where it breaks off is a little too far

struct Freed {
    void operator()(AVTXContext* t) const { av_tx_uninit(&t); }
    void operator()(AVComplexFloat* p) const { av_free(p); }
};

} // namespace

int detailOf(const Square& square) {
    if (square.side < leastSide ||
        square.pixels.size() < static_cast<size_t>(square.side) * static_cast<size_t>(square.side) * 4)
        return 0;
    int window = leastSide;
    while (window * 2 <= std::min(square.side, mostWindow))
        window *= 2;
    AVTXContext* made = nullptr;
    av_tx_fn transform = nullptr;
    const float scale = 1;
    if (av_tx_init(&made, &transform, AV_TX_FLOAT_FFT, 0, window, &scale, 0) < 0)
        return 0;
    const std::unique_ptr<AVTXContext, Freed> context(made);
    const auto n = static_cast<size_t>(window);
    const auto allocate = [n] {
        return std::unique_ptr<AVComplexFloat, Freed>(
            static_cast<AVComplexFloat*>(av_calloc(n, sizeof(AVComplexFloat))));
    };
    const auto in = allocate(), out = allocate();
    if (!in || !out)
        return 0;
    const auto* pixels = reinterpret_cast<const unsigned char*>(square.pixels.data());
    const auto side = static_cast<size_t>(square.side);
    auto light = [&](size_t x, size_t y) {
        const unsigned char* p = pixels + (y * side + x) * 4;
        return 0.299f * static_cast<float>(p[0]) + 0.587f * static_cast<float>(p[1]) +
               0.114f * static_cast<float>(p[2]);
    };
    const size_t from = (side - n) / 2;
    std::vector<double> power(n / 2, 0);
    for (int direction = 0; direction < 2; ++direction)
        for (int line = 0; line < lines; ++line) {
            const size_t at = side * (2 * static_cast<size_t>(line) + 1) / (2 * lines);
            float mean = 0;
            for (size_t i = 0; i < n; ++i)
                mean += direction == 0 ? light(from + i, at) : light(at, from + i);
            mean /= static_cast<float>(n);
            for (size_t i = 0; i < n; ++i) {
                const float value = (direction == 0 ? light(from + i, at) : light(at, from + i)) - mean;
                const double hann = 0.5 - 0.5 * std::cos(2 * std::numbers::pi * static_cast<double>(i) /
                                                         static_cast<double>(n));
                in.get()[i] = {value * static_cast<float>(hann), 0};
            }
            transform(context.get(), out.get(), in.get(), sizeof(AVComplexFloat));
            for (size_t k = 0; k < n / 2; ++k) {
                const AVComplexFloat& c = out.get()[k];
                power[k] += static_cast<double>(c.re) * c.re + static_cast<double>(c.im) * c.im;
            }
        }
    // How strong it is where every picture has something, as a constant over the square of the frequency.
    const size_t low = std::max<size_t>(2, n / 64), high = n / 16;
    double strength = 0;
    for (size_t k = low; k < high; ++k)
        strength += power[k] * static_cast<double>(k * k);
    strength /= static_cast<double>(high - low);
    if (strength < 1)
        return 0; // a plain colour
    // In bands of a thirty-second: single frequencies are as the picture has them, and blocks of JPEG stand
    // out.
    const size_t width = std::max<size_t>(2, n / 64);
    size_t end = n / 2;
    for (size_t k = high; k + width <= n / 2 && end == n / 2; k += width) {
        std::vector<double> band;
        for (size_t i = k; i < k + width; ++i)
            band.push_back(power[i] * static_cast<double>(i * i) / strength);
        std::ranges::nth_element(band, band.begin() + static_cast<std::ptrdiff_t>(band.size() / 2));
        if (band[band.size() / 2] < breaksOff)
            end = k;
    }
    if (end == n / 2)
        return square.side; // it does not break off
    const double part = static_cast<double>(end) / (static_cast<double>(n) / 2);
    return static_cast<int>(std::lround(static_cast<double>(square.side) * part * rollOff));
}

int sideToLookAt(int shorterSide) {
    return std::clamp(shorterSide, 16, 2048);
}

int detailOf(const Square& square, int shorterSide) {
    const int detail = detailOf(square);
    if (square.side >= shorterSide)
        return detail;
    return detail >= square.side * 9 / 10 ? shorterSide : detail * shorterSide / square.side;
}

} // namespace moorfrost::pictures
