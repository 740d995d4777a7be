// SPDX-License-Identifier: GPL-3.0-or-later
// Three songs of one album, described as a person would: for tests of the whole way of work.
#pragma once

#include <tuple>

#include "support/sample_files.h"

namespace moorfrost::test {

/// a.flac, b.flac and c.flac in that folder.
inline void makeThreeSongs(const Path& folder) {
    for (const auto& [name, title, track] :
         {std::tuple("a.flac", "Gorse", "1"), {"b.flac", "Tern", "2"}, {"c.flac", "Undertow", "3"}})
        tag(makeSound(folder, name), {{"title", {title}},
                                      {"artist", {"Isla Varnholt"}},
                                      {"album", {"Salt Road"}},
                                      {"track", {track}}});
}

} // namespace moorfrost::test
