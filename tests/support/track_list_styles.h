// SPDX-License-Identifier: GPL-3.0-or-later
// Lists of tracks as people paste them, in 20 shapes, made by a number: with what they mean.
#pragma once

#include <random>
#include <string>
#include <vector>

#include "core/reference/release.h"

namespace moorfrost::test {

struct StyledList {
    std::string text;
    std::vector<reference::Track> tracks; // position, title, length
    const char* shape = "";
};
constexpr int trackListShapes = 20;
StyledList styledTrackList(int shape, unsigned seed);

} // namespace moorfrost::test
