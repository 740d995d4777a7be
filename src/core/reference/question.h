// SPDX-License-Identifier: GPL-3.0-or-later
// What a reference is asked for. Everything that is given helps; nothing has to be given.
#pragma once

#include <cstdint>
#include <string>
#include <vector>

namespace moorfrost::reference {

struct Question {
    std::string words = {}; // of anything: names of folders, a title, an artist
    std::string artist = {}, album = {};
    std::vector<std::string> tracks = {}; // titles
    std::string label = {}, catalogueNumber = {}, barcode = {};
    int year = 0;
    std::vector<std::string> isrcs = {};
    std::vector<int64_t> lengthsMs = {}; // of the tracks, in order
    std::vector<int64_t> discTable = {}; // as Medium has it
    size_t limit = 12;                   // releases of one page
    size_t from = 0;                     // where the page begins

    bool isEmpty() const {
        return words.empty() && artist.empty() && album.empty() && tracks.empty() && label.empty() &&
               catalogueNumber.empty() && barcode.empty() && isrcs.empty() && lengthsMs.empty() &&
               discTable.empty();
    }
};

} // namespace moorfrost::reference
