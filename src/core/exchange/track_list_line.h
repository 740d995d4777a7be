// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the reading of lists of tracks: one line of it, taken apart. What it means shows beside the others
// (track_list_text). Any thread.
#pragma once

#include <cstdint>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace moorfrost::exchange {

/// The place in front of a title.
struct FoundPlace {
    std::string side; // "A"; ""
    int medium = 0;   // "2-03"; 0
    int number = 0;   // 0: a side alone
    size_t end = 0;
    bool sure = false; // something stands behind the number that titles do not begin with
};

/// "Side A", "CD 2", "Disc Two: Live", "Seite B".
struct FoundHeading {
    std::string carrier, title, side;
    int number = 0;
};

/// A line, taken apart.
struct TrackLine {
    size_t line = 0;
    std::optional<FoundPlace> place;
    int64_t ms = 0;
    bool hasLength = false, lengthFirst = false, dotted = false;
    std::string rest, whole;          // without the length; whole: with what stands where a place would
    std::vector<std::string> columns; // of text
    std::optional<FoundHeading> heading;
    bool talk = false;
};
/// Of the line with this number of the text; not blank.
TrackLine readTrackLine(const std::string& line, size_t number);

/// Markup, entities and the many kinds of dashes, quotes and blanks as plain ones.
std::string plainLine(std::string_view line);
/// Without dashes and what else stands between parts at both ends.
std::string withoutEnds(std::string_view text);
/// A title without the dots that lead to its length, and without quotes all around it.
std::string cleanTitle(std::string_view text);

} // namespace moorfrost::exchange
