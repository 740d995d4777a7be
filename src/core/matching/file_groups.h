// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the matching: files of a folder grouped by what they tell. Any thread.
#pragma once

#include <functional>
#include <map>
#include <optional>

#include "core/matching/folder_parts.h"

namespace moorfrost::matching {

using Files = std::vector<const FileTraits*>;
using KeyOf = std::function<std::string(const FileTraits&)>; // "" where a file does not tell

inline const KeyOf byAlbum = [](const FileTraits& f) { return f.album; };
inline const KeyOf byAlbumArtist = [](const FileTraits& f) { return f.albumArtist; };
inline const KeyOf byArtist = [](const FileTraits& f) { return f.artist; };
inline const KeyOf byFormat = [](const FileTraits& f) { return f.format; };
inline const KeyOf byBarcode = [](const FileTraits& f) { return f.barcode; };
inline const KeyOf byPicture = [](const FileTraits& f) {
    return f.picture != 0 ? std::to_string(f.picture) : std::string();
};
inline const KeyOf byYear = [](const FileTraits& f) {
    return f.year > 0 ? std::to_string(f.year) : std::string();
};
/// When a file was written: before or after the one long pause that there was in the writing of all of them.
/// "" where there was none.
KeyOf bySession(const Files& files);

inline Slot slotOf(const FileTraits& f) {
    return {f.disc, f.track};
}
std::map<std::string, Files> groupedBy(const Files& files, const KeyOf& key);
/// The key that most have, of those that have one.
std::string commonest(const Files& files, const KeyOf& key);
/// How many keys there are.
size_t different(const Files& files, const KeyOf& key);
/// Divides by what keeps the files apart that have the same number: each part has less doubles, none is
/// small. Those that do not tell go where their number is free.
std::optional<std::vector<Files>> divided(const Files& files, const KeyOf& key);

Part partOf(Files files, std::string reason);

/// Files that name no album: by the numbers or sides in their names, by what stands before them, by when they
/// were recorded, by one artist. `onlyThese`: nothing else is in the folder.
void divideNameless(const Files& files, bool onlyThese, FolderParts& out);

} // namespace moorfrost::matching
