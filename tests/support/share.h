// SPDX-License-Identifier: GPL-3.0-or-later
// Long series run in shares: every n-th step, on another day from another step on, each row of a table with a
// start of its own. In n days every step of every row was tried; scripts/torture tries all at once.
#pragma once

#include <cstdlib>
#include <ctime>

namespace moorfrost::test {

inline int fromEnvironment(const char* name, int otherwise) {
    const char* value = std::getenv(name);
    return value ? std::atoi(value) : otherwise;
}

/// Days since 1970, or MOORFROST_SHARE_DAY: what failed on one day is tried again by it.
inline int shareDay() {
    return fromEnvironment("MOORFROST_SHARE_DAY", static_cast<int>(std::time(nullptr) / 86400));
}

/// Steps start, start + stride, start + 2 stride ... of a series. MOORFROST_TORTURE_STRIDE=1: all.
struct Share {
    explicit Share(int row, int everyNth = 7)
        : stride(fromEnvironment("MOORFROST_TORTURE_STRIDE", everyNth)), start((shareDay() + row) % stride) {}
    int stride, start;
};

} // namespace moorfrost::test
