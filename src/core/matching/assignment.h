// SPDX-License-Identifier: GPL-3.0-or-later
// The pairing of two sides with the greatest sum of gains.
#pragma once

#include <vector>

namespace moorfrost::matching {

/// gains[i][j]: what it gains to pair row i with column j; pairs that gain nothing (0 or less) are not made.
/// All rows have the same length. Returns for each row its column, or -1. Shortest augmenting paths with
/// potentials (Kuhn 1955, Munkres 1957; in the form of Jonker and Volgenant 1987), O(rows^2 * columns).
std::vector<int> assign(const std::vector<std::vector<double>>& gains);

} // namespace moorfrost::matching
