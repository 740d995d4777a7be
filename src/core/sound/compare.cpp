// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/sound/compare.h"

#include <algorithm>
#include <bit>
#include <cmath>
#include <unordered_map>

namespace moorfrost::sound {

namespace {

constexpr double worthALook = 6;
constexpr double itemsAlike = 15; // so many say as much as one: notes last, and pieces of sound overlap

/// The share of bits that would differ if the one had nothing to do with the other: half of them only where
/// bits are set as often as not, which they are not in noise, tones and hum.
double byChance(const uint32_t* a, const uint32_t* b, size_t n) {
    double sum = 0;
    for (unsigned bit = 0; bit < 32; ++bit) {
        size_t inA = 0, inB = 0;
        for (size_t i = 0; i < n; ++i) {
            inA += (a[i] >> bit) & 1;
            inB += (b[i] >> bit) & 1;
        }
        const double p = static_cast<double>(inA) / static_cast<double>(n),
                     q = static_cast<double>(inB) / static_cast<double>(n);
        // Of few items the shares are only nearly right, and alike in both where it is the same sound.
        const double unsure = std::sqrt(p * (1 - p) * q * (1 - q)) * itemsAlike / static_cast<double>(n);
        sum += p + q - 2 * p * q + 2 * unsure;
    }
    return sum / 32;
}

} // namespace

Overlap overlapAt(std::span<const uint32_t> one, std::span<const uint32_t> other, int64_t offset) {
    Overlap out;
    out.offset = offset;
    const int64_t from = std::max<int64_t>(0, -offset),
                  to = std::min(std::ssize(one), std::ssize(other) - offset);
    if (to - from < static_cast<int64_t>(leastItems))
        return out;
    const auto n = static_cast<size_t>(to - from);
    const uint32_t *a = one.data() + from, *b = other.data() + from + offset;
    uint64_t bits = 0;
    size_t runsA = 1, runsB = 1;
    for (size_t i = 0; i < n; ++i)
        bits += static_cast<uint64_t>(std::popcount(a[i] ^ b[i]));
    for (size_t i = 1; i < n; ++i) {
        runsA += a[i] != a[i - 1];
        runsB += b[i] != b[i - 1];
    }
    out.items = n;
    out.runs = std::min(runsA, runsB);
    out.errors = static_cast<double>(bits) / (32.0 * static_cast<double>(n));
    const double deviation = std::sqrt(3.0e-4 + 0.047 / static_cast<double>(out.runs));
    out.z = std::max(0.0, (0.495 - out.errors) / deviation);
    if (out.z > worthALook)
        out.z = std::max(0.0, (std::min(0.495, byChance(a, b, n)) - out.errors) / deviation);
    return out;
}

Overlap bestNear(std::span<const uint32_t> one, std::span<const uint32_t> other, int64_t offset,
                 int64_t beside) {
    Overlap best;
    for (int64_t o = offset - beside; o <= offset + beside; ++o)
        if (Overlap here = overlapAt(one, other, o); here.z > best.z)
            best = here;
    return best;
}

uint32_t keyOf(uint32_t item) {
    // The bits of the mask, moved together; byte by byte.
    uint32_t out = 0;
    for (uint32_t mask = keyMask; mask != 0; mask &= mask - 1)
        out = (out << 1) | ((item >> std::countr_zero(mask)) & 1);
    return out;
}

Overlap bestOverlap(std::span<const uint32_t> one, std::span<const uint32_t> other) {
    std::unordered_multimap<uint32_t, int64_t> places;
    places.reserve(other.size());
    for (size_t i = 0; i < other.size(); ++i)
        places.emplace(keyOf(other[i]), static_cast<int64_t>(i));
    std::unordered_map<int64_t, int> votes;
    for (size_t i = 0; i < one.size(); ++i) {
        auto [from, to] = places.equal_range(keyOf(one[i]));
        for (int n = 0; from != to && n < 50; ++from, ++n) // what is everywhere says nothing
            ++votes[from->second - static_cast<int64_t>(i)];
    }
    std::vector<std::pair<int, int64_t>> order;
    for (const auto& [offset, n] : votes)
        order.emplace_back(-n, offset);
    const size_t most = std::min<size_t>(24, order.size());
    std::ranges::partial_sort(order, order.begin() + static_cast<std::ptrdiff_t>(most));
    Overlap best;
    for (size_t i = 0; i < most; ++i)
        if (Overlap here = bestNear(one, other, order[i].second); here.z > best.z)
            best = here;
    return best;
}

} // namespace moorfrost::sound
