// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/place_wish.h"

#include <cstdlib>

namespace moorfrost::library {

std::vector<std::string> PlaceWish::toValues() const {
    return {std::to_string(shelf), plan, copy ? "copy" : "move", goesAlong ? "along" : "",
            removeEmptied ? "tidy" : ""};
}

PlaceWish PlaceWish::fromValues(const std::vector<std::string>& v) {
    PlaceWish w;
    if (v.size() == 5)
        w = {std::atoll(v[0].c_str()), v[1], v[2] == "copy", v[3] == "along", v[4] == "tidy"};
    return w;
}

} // namespace moorfrost::library
