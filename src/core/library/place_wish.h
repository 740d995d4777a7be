// SPDX-License-Identifier: GPL-3.0-or-later
// A draft of a place, taken apart. It says how to find the place, not the place: that is worked out from the
// fields as they are when it is shown and when it is written.
#pragma once

#include <cstdint>
#include <string>
#include <vector>

namespace moorfrost::library {

struct PlaceWish {
    int64_t shelf = 0;
    std::string plan;
    bool copy = false;
    bool goesAlong = true;
    bool removeEmptied = true;
    /// As a draft under placeKey has it.
    std::vector<std::string> toValues() const;
    static PlaceWish fromValues(const std::vector<std::string>& values);
    bool operator==(const PlaceWish&) const = default;
};

} // namespace moorfrost::library
