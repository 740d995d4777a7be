// SPDX-License-Identifier: GPL-3.0-or-later
// What of a file speaks for the release that it belongs to, in a form that can be compared. Any thread.
#pragma once

#include <tuple>

#include "core/matching/sleeves.h"

namespace moorfrost::matching {

/// What a file name tells by its form: "3-04 Title", "Artist - Album - 04 - Title", "B2 Title",
/// "Reel 01 - side A".
struct NameParts {
    int disc = 0, track = 0; // 0: not told
    int side = 0;            // of a carrier, where it is told instead of a track: 1, 2 ...
    std::string before;      // what stands before the number or side, folded
    std::string artist;      // folded: the first part of "Artist - Title"
};
NameParts namePartsOf(const Path& file);
/// What the names of these begin with before they count tracks or sides: "Reel 01". "" where that is not how
/// they are named.
std::string sharedBeginning(const std::vector<Path>& files);

/// "CD1", "Disc 2", "Side B": its number; 0 for any other folder.
int discOfFolder(const Path& folder);

/// Folded, single words, without "(Disc 2)" and the like, whose number goes to `disc`. "" for none, and for
/// what says that there is none ("Unknown Album").
std::string albumKey(std::string_view album, int* disc = nullptr);
/// Folded, single words, without articles, guests and the words between names. "*" for various artists.
std::string artistKey(std::string_view artist);

struct FileTraits {
    int64_t id = 0;
    Path folder;
    std::string album, albumArtist, artist; // keys; "" where the tags do not tell
    std::string barcode, format;
    int disc = 0, track = 0, tracks = 0, year = 0; // 0: not known
    bool compilation = false;                      // the tags say so
    uint64_t picture = 0;
    double seconds = 0;   // 0: not known
    int64_t modified = 0; // when it was last written, seconds since 1970; 0: not known
    NameParts name;
    PlayKey order;
    std::string shownAlbum; // as it is spelled in the file
};
FileTraits traitsOf(const SleeveInput& file);

/// As they are listened to.
inline bool comesBefore(const FileTraits* a, const FileTraits* b) {
    return std::tie(a->order, a->id) < std::tie(b->order, b->id);
}

} // namespace moorfrost::matching
