// SPDX-License-Identifier: GPL-3.0-or-later
// The made-up world: which files there are, what they sound like and what their tags say.
#pragma once

#include <string>
#include <vector>

#include "core/tags/fields.h"
#include "demo/synth.h"

namespace moorfrost::demo {

/// What happened to a sound before it came here.
enum class Flaw { None, CodedBefore, Clipped, Gap };

struct DemoTrack {
    std::string path; // below "incoming"
    Piece sound;
    tags::Fields fields;
    int cover = 0; // 0: none; else the number of the picture
    int coverSize = 600;
    int bitrate = 128000;
    Flaw flaw = Flaw::None;
};

struct DemoPicture {
    std::string path;
    int cover = 1;
    int size = 900;
};

/// How long the piece of that number is.
double pieceSeconds(uint32_t seed);

std::vector<DemoTrack> demoTracks();
std::vector<DemoPicture> demoPictures();

} // namespace moorfrost::demo
