// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <malloc.h>

namespace moorfrost {

/// Gives free memory back to the system at once, after work that needed much of it.
inline void giveBackMemory() {
    ::malloc_trim(0);
}

} // namespace moorfrost
