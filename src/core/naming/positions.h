// SPDX-License-Identifier: GPL-3.0-or-later
// Positions of a folder as track and disc numbers: sides go on (B1 follows the last of A), 207 is the seventh
// of the second disc where all are like that. Any thread.
#pragma once

#include <map>
#include <vector>

#include "core/naming/name_text.h"
#include "core/tags/fields.h"

namespace moorfrost::naming {

class Positions {
public:
    /// All of one folder.
    explicit Positions(const std::vector<Position>& all);
    /// Track and disc, as far as they can be told. `folderDisc`: what the folder says; 0 for nothing.
    void put(const Position& p, int folderDisc, tags::Fields& values) const;

private:
    std::map<char, std::vector<int>> sides_;
    bool discHundreds_ = false, whole_ = true, several_ = false;
};

} // namespace moorfrost::naming
