// SPDX-License-Identifier: GPL-3.0-or-later
// What a one-sheet is about: songs, or a release, with all that the library knows of them. Gathered on the
// thread of the store; then values.
#pragma once

#include "core/library/people/people.h"
#include "core/library/releases/release_view.h"

namespace moorfrost::deliver {

/// What it is to be of: these songs, in this order; or a release with its tracks.
struct SheetOf {
    std::vector<library::FileId> songs;
    library::ReleaseRef release; // where `songs` is empty
    bool operator==(const SheetOf&) const = default;
    bool isEmpty() const { return songs.empty() && release.id == 0 && release.files.empty(); }
};
/// So many songs stand on one sheet at most.
inline constexpr size_t mostSongs = 500;

/// Somebody on a sheet.
struct SheetName {
    library::CardId party = 0; // 0: known by name only
    std::string name;          // as the list of parties has it; "held by the writer"
    std::vector<std::string> roles;
    std::string number;               // IPI; "" where there is none, or it is not asked
    bool lacksNumber = false;         // one is to be there
    std::vector<std::string> forWhom; // of a publisher
    std::optional<library::Fraction> part;
    std::string territory, from;
};
/// A side of a work, or the owners of a master.
struct SheetSide {
    std::vector<SheetName> names;
    std::vector<library::SideSum> sums;
};

struct SheetWork {
    library::CardId id = 0;
    std::string title, iswc, language, description, lyrics;
    bool noIswc = false, noLyrics = false; // it is known that there are none
    std::vector<std::string> keywords;
    SheetSide writers, publishers;
};

struct SheetVersion {
    std::string name; // "Instrumental", "Edit: radio"
    std::string title;
    double seconds = 0;
    std::string isrc;
    std::string stem; // the instrument; "" for other versions
};

struct SheetContact {
    library::CardId party = 0;
    std::string name;
    library::Contact contact;
};

struct SheetSong {
    library::FileId file = 0; // 0: the library has none of it
    library::RecordingId recording = 0;
    std::string position; // on its release
    std::string title, artist, release, date, genre, mood, tempo, key, language, label, catalogueNumber,
        copyright;
    double seconds = 0;
    std::vector<std::string> isrcs;
    std::vector<SheetWork> works;
    std::vector<SheetVersion> versions;
    SheetSide owners;
    std::vector<std::pair<std::string, std::string>> details; // of the recording: "Producer", "Tom Rook"
    std::vector<library::Bookmark> marks;
    std::vector<std::string> links;
    std::vector<SheetContact> contacts;
    tags::PictureInfo picture;     // hash 0: none
    library::FileId pictureIn = 0; // the file that has it
    std::string lyrics;            // of the tags, where no work has any
};

struct SheetSubject {
    std::string title; // of the sheet
    bool isRelease = false;
    library::ReleaseRef ref;
    std::string artist, date, label, catalogueNumber, barcode, country, carrier, notes;
    std::vector<std::string> links;
    tags::PictureInfo picture;
    library::FileId pictureIn = 0; // 0: kept beside the library, where there is a picture
    std::vector<SheetSong> songs;
    std::vector<library::FileId> unknown; // files that are not in the library
    size_t leftOut = 0;                   // songs beyond mostSongs
};

/// The files of all of it in order; of a release those of its tracks, the best of each.
std::vector<library::FileId> filesOf(library::Store& store, const SheetOf& of);

/// As it will be: drafts count. `people`: made of what is kept now.
SheetSubject sheetSubject(library::Store& store, const library::People& people, const SheetOf& of);

} // namespace moorfrost::deliver
