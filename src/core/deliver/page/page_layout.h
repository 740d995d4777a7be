// SPDX-License-Identifier: GPL-3.0-or-later
// Layouts of share pages: what a page tells of its tracks, what can be heard and taken from it. Kept by name,
// as JSON that can be handed on. Any thread.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "core/base/result.h"

namespace moorfrost::deliver {

struct PageLayout {
    std::string name;
    std::string from;               // who sends it, below the title; "" for nobody
    std::string words;              // of who sends it, above the tracks; plain text
    std::vector<std::string> facts; // keys of columns (rows/row_layout.h), told of each track
    bool artists = true;            // beside the titles
    bool versions = true;           // of the family, below their lead
    bool stems = false;
    bool lyrics = false;
    bool marks = true;          // places that we marked
    std::string listen = "mp3"; // a name of audio::encodeFormats(): what is heard
    int bitrate = 192000;       // bits per second
    std::string take =
        "listen";         // what can be taken: "nothing", "listen" (what is heard), "original", or a format
    bool takeAll = true;  // and all of it in one file
    std::string oneSheet; // name of the layout of a one-sheet that goes with it; "" for none
    bool notes = true;    // who listens can note comments, and rate
    bool operator==(const PageLayout&) const = default;
};

/// Formats that browsers play everywhere.
const std::vector<std::string>& listenFormats();

const std::vector<PageLayout>& shippedPageLayouts();
std::string pageLayoutJson(const PageLayout& layout);
/// An Error (Invalid) says what was not understood.
Result<PageLayout> pageLayoutFromJson(std::string_view json);
std::vector<PageLayout> pageLayoutsFrom(const std::vector<std::string>& kept);
const PageLayout* pageLayoutNamed(const std::vector<PageLayout>& layouts, std::string_view name);

} // namespace moorfrost::deliver
