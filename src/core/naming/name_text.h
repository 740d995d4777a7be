// SPDX-License-Identifier: GPL-3.0-or-later
// File and folder names as text that can be read: what stands for spaces, marks of copies, and the place of a
// track that a name begins with. Any thread.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/base/result.h"

namespace moorfrost::naming {

/// The stem of a file name (or a folder's name) with spaces where "_", "." or "%20" stand for them, without a
/// second ending and marks of copies ("(1)", "copy").
std::string readableName(const std::string& bytes, bool isFolder = false);

/// The place of a track, as it is printed.
struct Position {
    int track = 0;       // 0: none
    int disc = 0;        // 0: not said
    char side = 0;       // 'A' ...; track is the place on that side
    size_t end = 0;      // bytes of the text that it takes, with what parts it from the rest
    bool strict = false; // it can hardly be anything else: "01", "2-07", "A1"
};
/// At the beginning of a readable name.
std::optional<Position> leadingPosition(const std::string& text);
/// The whole text is a position.
std::optional<Position> wholePosition(const std::string& text);

/// "1998" in "(1998)", "[1998]" or alone; "" if it is none. From 1900 to 2099.
std::string yearIn(const std::string& text);

/// Where " - " (any dash) parts it; one part if there is none.
std::vector<std::string> spacedParts(const std::string& text);
/// Where hyphens part it.
std::vector<std::string> hyphenParts(const std::string& text);

/// Guests and remarks of a title.
struct TitleParts {
    std::string title; // "Gorse (remaster)"
    std::vector<std::string> guests;
};
/// Only the guests are taken out.
TitleParts withoutGuests(const std::string& text);
TitleParts titleParts(const std::string& text);

} // namespace moorfrost::naming
