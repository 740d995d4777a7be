// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the search: the numbers of the arrays in the arena of the columns. A new meaning gets a new number;
// what an old snapshot means must not change under it (version).
#pragma once

#include <cstdint>

namespace moorfrost::library::part {

inline constexpr const char* version = "6";

enum : uint32_t {
    ids = 1,
    durations,
    sizes,
    added,
    rates,
    bitrates,
    channels,
    bits,
    flags,
    shelves,
    baseOrder,
    words,
    wordStarts,
    rowStarts,
    wordRows,
    keys,
    keyStarts,
    letters,
    // Of each field.
    lists = 100,
    some,
    listStarts,
    listValues,
    valueStarts,
    valueBytes,
    odd,
    oddStarts,
    oddBytes,
    ranks,
};

} // namespace moorfrost::library::part
