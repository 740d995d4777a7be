// SPDX-License-Identifier: GPL-3.0-or-later
// Sorting the files of a batch into sleeves: what is believed to be one release.
#pragma once

#include <compare>
#include <cstdint>
#include <string>
#include <vector>

#include "core/base/result.h"
#include "core/tags/fields.h"

namespace moorfrost::matching {

struct SleeveInput {
    int64_t id = 0;
    Path path;
    tags::Fields fields;
};

struct Sleeve {
    std::string key;          // stable while the files are the same; "" for the strays
    std::vector<int64_t> ids; // in the order in which an album is listened to
    std::string why;          // a sentence: why these belong together
};

/// By folder, album and album artist. Disc folders ("CD1", "Disc 2") count as their parent. Files that say no
/// album are a sleeve if their folder holds at least three of them, most of them numbered; else they are
/// strays, who come last.
std::vector<Sleeve> formSleeves(const std::vector<SleeveInput>& files);

/// The folder of the release that a file is in: disc folders count as their parent.
Path releaseFolder(const Path& file);

/// Orders files of a release as they are listened to: disc, track, name (by the rules of text::compare).
struct PlayKey {
    int disc = 0;
    int track = 0;
    std::string name;
    auto operator<=>(const PlayKey&) const = default;
};
PlayKey playKey(const SleeveInput& file);

} // namespace moorfrost::matching
