// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/place_wish.h"

#include <cstdlib>

namespace moorfrost::library {

namespace {

const std::string allGoAlong = "along";

const char* keyOf(PlaceWish::Mode mode) {
    return mode == PlaceWish::Mode::Copy ? "copy" : mode == PlaceWish::Mode::Rename ? "rename" : "move";
}

PlaceWish::Mode modeFrom(const std::string& key) {
    return key == "copy"     ? PlaceWish::Mode::Copy
           : key == "rename" ? PlaceWish::Mode::Rename
                             : PlaceWish::Mode::Move;
}

} // namespace

std::vector<std::string> PlaceWish::toValues() const {
    const std::string rule = along == placing::AlongRule()         ? allGoAlong
                             : along == placing::AlongRule::none() ? std::string()
                                                                   : along.text();
    std::vector<std::string> out = {std::to_string(shelf), plan, keyOf(mode), rule,
                                    removeEmptied ? "tidy" : ""};
    if (onClash != placing::OnClash::Ask)
        out.push_back(placing::keyOf(onClash));
    return out;
}

PlaceWish PlaceWish::fromValues(const std::vector<std::string>& v) {
    PlaceWish out;
    if (v.size() < 5)
        return out;
    out.shelf = std::atoll(v[0].c_str());
    out.plan = v[1];
    out.mode = modeFrom(v[2]);
    out.along = v[3] == allGoAlong ? placing::AlongRule() : placing::AlongRule::fromText(v[3]);
    out.removeEmptied = v[4] == "tidy";
    if (v.size() > 5)
        out.onClash = placing::onClashFromKey(v[5]).value_or(placing::OnClash::Ask);
    return out;
}

} // namespace moorfrost::library
