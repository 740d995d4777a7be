// SPDX-License-Identifier: GPL-3.0-or-later
// The entries of a playlist from elsewhere, and the files of the library that they mean: by their place, by
// the essence of their sound, by names and folders, by title and length; each with the evidence. And the way
// out: a playlist of files of the library.
#pragma once

#include <stop_token>

#include "core/exchange/playlist.h"
#include "core/library/store/store.h"
#include "core/work/progress.h"

namespace moorfrost::library {

struct PlaylistMatch {
    /// The surest first.
    enum class Evidence { SamePlace, SameSound, SameFolders, SameName, SameTitle, None };

    exchange::PlaylistEntry entry;
    FileId file = 0; // 0: none that is sure enough
    Evidence evidence = Evidence::None;
    std::string told;               // a sentence: why this one, or why none
    std::vector<FileId> candidates; // where several are as likely; the first ones
};

/// In the order of the playlist. `folder`: that it lies in. Reads files only where a playlist tells essences
/// that are not known yet, and those at places that the library does not know. `store`: a connection of its
/// own. After a stop the rest is not matched.
std::vector<PlaylistMatch> matchPlaylist(Store& store, const exchange::Playlist& playlist, const Path& folder,
                                         std::stop_token stop, work::Progress& progress);

/// Of these files in their order; what is known of their essence goes along. Those of which nothing is known
/// are left out. `folder`: that the playlist is to lie in.
exchange::Playlist playlistOf(Store& store, const std::string& title, const std::vector<FileId>& files,
                              const Path& folder, const exchange::PlaceStyle& style);

} // namespace moorfrost::library
