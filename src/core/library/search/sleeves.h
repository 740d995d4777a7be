// SPDX-License-Identifier: GPL-3.0-or-later
// The rows of a result as sleeves: what was published together. An album and its album artist make one; where
// no album artist is told, the folder parts albums of the same name, unless they are told to be a
// compilation, which plans scatter over the folders of its artists; without an album, a folder is one.
#pragma once

#include "core/library/search/searcher.h"

namespace moorfrost::library {

struct LibrarySleeve {
    std::string album;  // "" where the tracks have none
    std::string artist; // "" where they differ
    int year = 0;       // 0: not told
    std::string group;  // by what it was asked for: an artist, a label, "1970"; "" for none
    std::vector<Row> rows;
};

enum class SleeveGroup { None, Artist, Label, Decade };

/// In the order of their groups, within a group by artist, year and album. `rows` in the order in which
/// tracks stand in a sleeve.
std::vector<LibrarySleeve> sleevesOf(const Searcher& searcher, const std::vector<Row>& rows,
                                     SleeveGroup group);

/// Rows by the sleeve they belong to, sleeve behind sleeve.
struct RowsBySleeve {
    std::vector<Row> rows;
    std::vector<uint32_t> starts{0}; // in `rows`, of each sleeve, and the end
    size_t size() const { return starts.size() - 1; }
    std::span<const Row> operator[](size_t i) const {
        return std::span(rows).subspan(starts[i], starts[i + 1] - starts[i]);
    }
};

/// All rows of the library that belong to a sleeve of one of these, rising within a sleeve.
RowsBySleeve wholeSleevesOf(const Searcher& searcher, const RowSet& rows);

} // namespace moorfrost::library
