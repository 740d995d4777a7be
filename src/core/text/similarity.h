// SPDX-License-Identifier: GPL-3.0-or-later
// How alike two texts are, as people misspell them. Any thread.
#pragma once

#include <cstddef>
#include <string_view>

namespace moorfrost::text {

/// Letters put in, left out, changed, or swapped with their neighbour (optimal string alignment), counted in
/// code points of UTF-8; limit + 1 as soon as there are more than `limit`.
size_t editDistance(std::string_view a, std::string_view b, size_t limit);

/// One is probably the other, misspelled: one change in four letters or more, two in ten, three in twenty.
/// Words with digits must be the same: "Volume 1" is not "Volume 2". Both folded (text/text).
bool isMisspelling(std::string_view a, std::string_view b);

} // namespace moorfrost::text
