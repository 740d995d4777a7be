// SPDX-License-Identifier: GPL-3.0-or-later
// What the folders that files lie in tell of them. Any thread.
#pragma once

#include <string>

#include "core/naming/known_names.h"

namespace moorfrost::naming {

struct FolderSays {
    std::string artist, album, date;
    int disc = 0;
    bool knownArtist = false;
    bool sure = true;      // that it tells an album at all, and which part is what
    std::string plan = {}; // how it was read: "{artist}/{date: year} - {album}"; "" if nothing was
};

/// `levels`: names of the folders, the nearest first, as bytes; only those that may tell something (below
/// what the files have in common). `inNames`: the artist that the names of
/// the files tell, or ""; they may tell several.
FolderSays readFolders(const std::vector<std::string>& levels, const KnownNames& known,
                       const std::string& inNames, bool namesTellArtists);

} // namespace moorfrost::naming
