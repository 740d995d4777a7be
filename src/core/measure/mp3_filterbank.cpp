// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/measure/mp3_filterbank.h"

#include <cmath>
#include <numbers>

namespace moorfrost::measure {

namespace {

/// Half of the window of the polyphase filter bank (ISO/IEC 11172-3, table 3-B.3, times 65536), of which the
/// other half is the mirror image.
constexpr int window[257] = {
    0,      -1,     -1,     -1,     -1,     -1,     -1,     -2,     -2,     -2,     -2,     -3,     -3,
    -4,     -4,     -5,     -5,     -6,     -7,     -7,     -8,     -9,     -10,    -11,    -13,    -14,
    -16,    -17,    -19,    -21,    -24,    -26,    -29,    -31,    -35,    -38,    -41,    -45,    -49,
    -53,    -58,    -63,    -68,    -73,    -79,    -85,    -91,    -97,    -104,   -111,   -117,   -125,
    -132,   -139,   -147,   -154,   -161,   -169,   -176,   -183,   -190,   -196,   -202,   -208,   213,
    218,    222,    225,    227,    228,    228,    227,    224,    221,    215,    208,    200,    189,
    177,    163,    146,    127,    106,    83,     57,     29,     -2,     -36,    -72,    -111,   -153,
    -197,   -244,   -294,   -347,   -401,   -459,   -519,   -581,   -645,   -711,   -779,   -848,   -919,
    -991,   -1064,  -1137,  -1210,  -1283,  -1356,  -1428,  -1498,  -1567,  -1634,  -1698,  -1759,  -1817,
    -1870,  -1919,  -1962,  -2001,  -2032,  -2057,  -2075,  -2085,  -2087,  -2080,  -2063,  2037,   2000,
    1952,   1893,   1822,   1739,   1644,   1535,   1414,   1280,   1131,   970,    794,    605,    402,
    185,    -45,    -288,   -545,   -814,   -1095,  -1388,  -1692,  -2006,  -2330,  -2663,  -3004,  -3351,
    -3705,  -4063,  -4425,  -4788,  -5153,  -5517,  -5879,  -6237,  -6589,  -6935,  -7271,  -7597,  -7910,
    -8209,  -8491,  -8755,  -8998,  -9219,  -9416,  -9585,  -9727,  -9838,  -9916,  -9959,  -9966,  -9935,
    -9863,  -9750,  -9592,  -9389,  -9139,  -8840,  -8492,  -8092,  -7640,  -7134,  6574,   5959,   5288,
    4561,   3776,   2935,   2037,   1082,   70,     -998,   -2122,  -3300,  -4533,  -5818,  -7154,  -8540,
    -9975,  -11455, -12980, -14548, -16155, -17799, -19478, -21189, -22929, -24694, -26482, -28289, -30112,
    -31947, -33791, -35640, -37489, -39336, -41176, -43006, -44821, -46617, -48390, -50137, -51853, -53534,
    -55178, -56778, -58333, -59838, -61289, -62684, -64019, -65290, -66494, -67629, -68692, -69679, -70590,
    -71420, -72169, -72835, -73415, -73908, -74313, -74630, -74856, -74992, 75038};

/// The whole of it, 512 samples.
const std::array<float, 512>& wholeWindow() {
    static const std::array<float, 512> table = [] {
        std::array<float, 512> t{};
        for (size_t i = 0; i <= 256; ++i) {
            const float v = static_cast<float>(window[i]) / 65536.0f / 32.0f;
            t[i] = v;
            // Of the standard's changes of sign (every second run of 64) the mirror image has others.
            if (i > 0)
                t[512 - i] = (i / 64) % 2 == ((512 - i) / 64) % 2 ? v : -v;
        }
        return t;
    }();
    return table;
}

using Matrix = std::array<std::array<float, 64>, 32>;

/// Scaled so that white noise keeps its level.
const Matrix& cosines() {
    static const Matrix table = [] {
        Matrix m{};
        double power = 0; // of the first band
        for (size_t n = 0; n < 512; ++n) {
            const double c = std::cos(std::numbers::pi / 64 * (static_cast<double>(n) - 16));
            power += std::pow(static_cast<double>(wholeWindow()[n]) * c, 2);
        }
        for (size_t i = 0; i < 32; ++i)
            for (size_t k = 0; k < 64; ++k)
                m[i][k] = static_cast<float>(std::cos(std::numbers::pi / 64 * static_cast<double>(2 * i + 1) *
                                                      (static_cast<double>(k) - 16)) /
                                             std::sqrt(power));
        return m;
    }();
    return table;
}

/// Window and cosines of the 36 to 18 transform, orthonormal.
using LongBlock = std::array<std::array<float, 36>, 18>;
const LongBlock& longBlock() {
    static const LongBlock table = [] {
        LongBlock m{};
        for (size_t k = 0; k < 18; ++k)
            for (size_t n = 0; n < 36; ++n)
                m[k][n] = static_cast<float>(
                    std::sqrt(2.0 / 18) * std::sin(std::numbers::pi / 36 * (static_cast<double>(n) + 0.5)) *
                    std::cos(std::numbers::pi / 72 * static_cast<double>(2 * n + 1 + 18) *
                             static_cast<double>(2 * k + 1)));
        return m;
    }();
    return table;
}

/// Of the butterflies between neighbouring bands.
struct Butterfly {
    std::array<float, 8> straight{}, across{};
    Butterfly() {
        constexpr double c[8] = {-0.6, -0.535, -0.33, -0.185, -0.095, -0.041, -0.0142, -0.0037};
        for (size_t i = 0; i < 8; ++i) {
            straight[i] = static_cast<float>(1 / std::sqrt(1 + c[i] * c[i]));
            across[i] = static_cast<float>(c[i] / std::sqrt(1 + c[i] * c[i]));
        }
    }
};

} // namespace

std::vector<std::array<float, 32>> mp3Bands(std::span<const float> samples) {
    std::vector<std::array<float, 32>> out;
    const auto& w = wholeWindow();
    const Matrix& m = cosines();
    for (size_t at = 0; at + 512 <= samples.size(); at += 32) {
        const float* x = samples.data() + at + 511; // the newest first
        std::array<float, 64> y{};
        for (size_t j = 0; j < 8; ++j)
            for (size_t k = 0; k < 64; ++k)
                y[k] += w[k + 64 * j] * *(x - (k + 64 * j));
        std::array<float, 32>& row = out.emplace_back();
        for (size_t i = 0; i < 32; ++i) {
            float sum = 0;
            for (size_t k = 0; k < 64; ++k)
                sum += m[i][k] * y[k];
            row[i] = sum;
        }
    }
    return out;
}

std::array<float, mp3Granule> mp3Lines(std::span<const std::array<float, 32>, 36> rows) {
    static const Butterfly butterfly;
    const LongBlock& block = longBlock();
    std::array<float, mp3Granule> out;
    for (size_t band = 0; band < 32; ++band) {
        std::array<float, 36> x;
        for (size_t n = 0; n < 36; ++n)
            x[n] = band % 2 == 1 && n % 2 == 1 ? -rows[n][band] : rows[n][band];
        for (size_t k = 0; k < 18; ++k) {
            float sum = 0;
            for (size_t n = 0; n < 36; ++n)
                sum += block[k][n] * x[n];
            out[band * 18 + k] = sum;
        }
    }
    for (size_t band = 1; band < 32; ++band)
        for (size_t i = 0; i < 8; ++i) {
            float &below = out[band * 18 - 1 - i], &above = out[band * 18 + i];
            const float b = below * butterfly.straight[i] + above * butterfly.across[i];
            above = above * butterfly.straight[i] - below * butterfly.across[i];
            below = b;
        }
    return out;
}

} // namespace moorfrost::measure
