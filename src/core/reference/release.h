// SPDX-License-Identifier: GPL-3.0-or-later
// A release as a reference tells it (../shared model: one edition, as it was published), as values. All texts
// are UTF-8 without control characters; what a reference does not know is empty or 0.
#pragma once

#include <cstdint>
#include <string>
#include <vector>

namespace moorfrost::reference {

/// Whom something is credited to, as printed: the names in order and what stands between them.
struct Credit {
    struct Name {
        std::string name;                     // as printed here
        std::string id = {};                  // of the party in the reference
        std::string sortForm = {};            // "Hollow Ferry, The"
        std::string join = {};                // what follows it: " & "; "" behind the last
        std::vector<std::string> others = {}; // other spellings, other scripts
        bool operator==(const Name&) const = default;
    };
    std::vector<Name> names;

    std::string text() const; // "Kestrel & Rook"
    bool operator==(const Credit&) const = default;
};

/// Somebody's part: "composer", "producer", "performer" with "fiddle".
struct Role {
    std::string role;
    std::string name;
    std::string detail = {};
    bool operator==(const Role&) const = default;
};

struct Track {
    std::string position; // as printed: "3", "A1"
    std::string title;
    Credit credit;              // none: that of the release
    int64_t lengthMs = 0;       // 0: not told
    std::string recording = {}; // number of the recording in the reference
    std::vector<std::string> isrcs = {};
    std::vector<Role> roles = {};
    bool operator==(const Track&) const = default;
};

/// What somebody else has read of a track of a disc.
struct DiscReading {
    int track = 0; // its number on the disc
    /// CRC-32 of its samples (16 bit, the lower byte first), the pause behind it with it; without the first
    /// and the last five sectors of the disc, which not every drive reaches.
    uint32_t crc = 0;
    int count = 1; // so many have read this
    bool operator==(const DiscReading&) const = default;
};

struct Medium {
    std::string carrier; // "CD", "Vinyl", "Cassette", "File" ...
    std::string title = {};
    std::vector<int64_t> discTable = {}; // starts of the tracks and the lead-out, in frames of 1/75 s
    std::vector<Track> tracks;
    std::vector<DiscReading> readings = {};
    bool operator==(const Medium&) const = default;
};

struct Label {
    std::string name;
    std::string catalogueNumber = {};
    bool operator==(const Label&) const = default;
};

struct ReleaseDate {
    std::string date;         // ISO 8601, may be partial
    std::string country = {}; // ISO 3166, "XW" for the whole world
    bool operator==(const ReleaseDate&) const = default;
};

struct Picture {
    std::string id;
    std::string type; // "front cover" ... (tags/picture)
    int width = 0, height = 0;
    uint64_t bytes = 0;
    std::string mime = {};
    std::string comment = {};
    bool operator==(const Picture&) const = default;
};

struct Release {
    std::string id;
    std::string editionSet = {}; // the same for all editions of one release
    std::string title;
    std::string edition = {}; // what tells it from others of its set: "2011 remaster"
    Credit credit;
    std::vector<Label> labels = {};
    std::string barcode = {};
    std::vector<ReleaseDate> dates = {};
    std::string firstDate = {}; // of the whole set
    std::string packaging = {}, status = {}, language = {}, script = {}, rights = {}, notes = {};
    std::vector<std::string> genres = {};
    std::vector<Role> roles = {};
    std::vector<std::string> links = {};
    std::vector<Picture> pictures = {};
    std::vector<Medium> media;

    size_t trackCount() const;
    int64_t lengthMs() const; // 0 where that of any track is not told
    /// The first date, of any country; "".
    std::string date() const;
    std::string country() const; // that belongs to it
    std::string carrier() const; // "CD", "2 × CD", "CD + File"
    bool operator==(const Release&) const = default;
};

} // namespace moorfrost::reference
