// SPDX-License-Identifier: GPL-3.0-or-later
// Which releases a disc may be: the references are asked for its table, then for words. What several
// contributors say of the same disc stays side by side.
#pragma once

#include <stop_token>
#include <string>
#include <vector>

#include "core/disc/toc.h"
#include "core/reference/reference.h"
#include "core/tags/fields.h"

namespace moorfrost::disc {

struct Variant {
    std::string reference, referenceName; // its key, and for people
    reference::Release release;
    size_t medium = 0; // of the release
    int32_t distance =
        -1; // of its table, in sectors (tableDistance); -1: it tells none, or it was found by words
    /// nullptr where the release has no such medium.
    const reference::Medium* mediumThere() const {
        return medium < release.media.size() ? &release.media[medium] : nullptr;
    }
};

/// Tables of pressings differ a little: up to half a second a track. With more, others with as many tracks
/// would be taken for it.
inline constexpr int32_t likeTable = sectorsPerSecond / 2;

/// As it tells its table; no tracks where it does not.
Toc tocOf(const reference::Medium& medium);

/// The same table first. `said`: what is known of the disc: album, album artist. Media with another number
/// of tracks are left out. An Error where no reference could be asked.
Result<std::vector<Variant>> findDisc(const std::vector<reference::Reference*>& references, const Toc& toc,
                                      const tags::Fields& said, std::stop_token stop);

} // namespace moorfrost::disc
