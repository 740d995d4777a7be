// SPDX-License-Identifier: GPL-3.0-or-later
// Whether two fingerprints have the same sound in them, where, and how sure that is. Any thread.
#pragma once

#include <cstddef>
#include <cstdint>
#include <span>
#include <vector>

namespace moorfrost::sound {

/// Two rows of items laid over each other.
struct Overlap {
    int64_t offset = 0; // item i of the one is item i + offset of the other
    size_t items = 0;   // that overlap
    size_t runs = 0;    // how often the items change within it, in the one that changes less
    double errors = 1;  // share of the bits that differ
    double z = 0;       // how far that is from chance, in standard deviations
};

// From this z on it is the same sound, or possibly.
inline constexpr double surely = 10.5, possibly = 8.5;
inline constexpr size_t leastItems = 40; // an overlap of less says nothing

/// z is 0 where too little overlaps. What hardly changes (silence, a tone) says little however alike it is:
/// the deviation of chance is taken for as many independent items as there are changes, and its mean from how
/// often each bit is set.
Overlap overlapAt(std::span<const uint32_t> one, std::span<const uint32_t> other, int64_t offset);

/// The best at or beside this offset.
Overlap bestNear(std::span<const uint32_t> one, std::span<const uint32_t> other, int64_t offset,
                 int64_t beside = 2);

/// The best of all, found by items that are the same but for their weakest bits. z 0: there is none.
Overlap bestOverlap(std::span<const uint32_t> one, std::span<const uint32_t> other);

/// The 24 bits of an item that survive most.
inline constexpr uint32_t keyMask = 0xFEFCCAEF;
uint32_t keyOf(uint32_t item);

} // namespace moorfrost::sound
