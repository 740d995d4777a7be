// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the store: paths are found by a number, since an index of the paths themselves would be as big as
// all the rest.
#pragma once

#include <cstdint>
#include <string_view>

#include <xxhash.h>

namespace moorfrost::library {

/// XXH3 of the bytes.
inline int64_t pathKey(std::string_view path) {
    return static_cast<int64_t>(XXH3_64bits(path.data(), path.size()));
}

} // namespace moorfrost::library
