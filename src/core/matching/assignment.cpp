// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/matching/assignment.h"

#include <limits>

namespace moorfrost::matching {

std::vector<int> assign(const std::vector<std::vector<double>>& gains) {
    const size_t rows = gains.size();
    if (rows == 0)
        return {};
    const size_t real = gains[0].size();
    // Each row has a column of its own to fall back on, which gains nothing.
    const size_t columns = real + rows;
    auto cost = [&](size_t row, size_t column) {
        if (column < real)
            return gains[row][column] > 0 ? -gains[row][column] : 1e6;
        return column - real == row ? 0.0 : 1e6;
    };
    constexpr double infinite = std::numeric_limits<double>::infinity();
    // Rows and columns count from 1; column 0 is where a path begins.
    std::vector<double> u(rows + 1, 0), v(columns + 1, 0);
    std::vector<size_t> rowOf(columns + 1, 0), way(columns + 1, 0);
    for (size_t row = 1; row <= rows; ++row) {
        rowOf[0] = row;
        size_t at = 0;
        std::vector<double> least(columns + 1, infinite);
        std::vector<bool> seen(columns + 1, false);
        do {
            seen[at] = true;
            const size_t i = rowOf[at];
            double delta = infinite;
            size_t next = 0;
            for (size_t j = 1; j <= columns; ++j) {
                if (seen[j])
                    continue;
                const double reduced = cost(i - 1, j - 1) - u[i] - v[j];
                if (reduced < least[j]) {
                    least[j] = reduced;
                    way[j] = at;
                }
                if (least[j] < delta) {
                    delta = least[j];
                    next = j;
                }
            }
            for (size_t j = 0; j <= columns; ++j) {
                if (seen[j]) {
                    u[rowOf[j]] += delta;
                    v[j] -= delta;
                } else {
                    least[j] -= delta;
                }
            }
            at = next;
        } while (rowOf[at] != 0);
        do {
            const size_t before = way[at];
            rowOf[at] = rowOf[before];
            at = before;
        } while (at != 0);
    }
    std::vector<int> out(rows, -1);
    for (size_t j = 1; j <= real; ++j)
        if (rowOf[j] > 0 && gains[rowOf[j] - 1][j - 1] > 0)
            out[rowOf[j] - 1] = static_cast<int>(j - 1);
    return out;
}

} // namespace moorfrost::matching
