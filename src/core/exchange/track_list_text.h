// SPDX-License-Identifier: GPL-3.0-or-later
// A list of tracks as people paste it: from a sleeve, a message, half a web page. Numbers or places on sides
// in front, lengths in any of the usual ways, columns, headings of discs and sides. Any thread.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "core/reference/release.h"

namespace moorfrost::exchange {

struct TrackListLine {
    enum class Kind { Blank, Track, Heading, LeftOut };
    std::string text; // as it was pasted
    Kind kind = Kind::Blank;
};

struct TrackListText {
    std::vector<reference::Medium> media; // carriers only where a heading tells them
    std::vector<TrackListLine> lines;     // of the text, in order
    std::string trouble;                  // a sentence where not all was read: too long, too many

    size_t tracks() const;
};

/// What is no track is left out, and told as such. Never fails: of nonsense comes nothing.
TrackListText readTrackList(std::string_view text);

} // namespace moorfrost::exchange
