// SPDX-License-Identifier: GPL-3.0-or-later
// Lengths of tracks as people write them: 3:41, 1:02:03, 3'41", (3:41), 3 min 41 s, 3.41. Any thread.
#pragma once

#include <cstdint>
#include <optional>
#include <string_view>

namespace moorfrost::exchange {

/// A length at `at`: where it ends, and what it is in milliseconds.
struct FoundLength {
    size_t begin = 0, end = 0;
    int64_t ms = 0;
    bool bracketed = false;
    bool dotted = false; // "3.41": may be another number
};
/// The length that a line tells: the last one in brackets, or that at its end, or that at its beginning.
std::optional<FoundLength> lengthIn(std::string_view line);

/// Reads digits from `at` on and moves it behind them; false where there are none, or more than `most`.
bool readDigits(std::string_view text, size_t& at, int most, int64_t& number);
inline bool isDigit(char c) {
    return c >= '0' && c <= '9';
}
inline bool isLetter(char c) {
    return (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z');
}

} // namespace moorfrost::exchange
