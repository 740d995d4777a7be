// SPDX-License-Identifier: GPL-3.0-or-later
// The files of one folder, divided into what belongs to one release. Parts of several folders may still be
// one (matching/sleeves). Any thread.
#pragma once

#include <span>

#include "core/matching/file_traits.h"

namespace moorfrost::matching {

/// Disc and track.
using Slot = std::pair<int, int>;
using Slots = std::vector<Slot>; // sorted, each once

struct Part {
    std::vector<const FileTraits*> files;
    Path folder, exactFolder;  // of the release (disc folders count as their parent), and of the files
    std::string album, artist; // keys that most of its files have; "" where there is none, "*" for various
    std::string barcode, format;
    int year = 0;
    uint64_t picture = 0;
    bool byAlbumArtist = false; // `artist` is that of the album
    bool compilation = false;   // different artists under one album
    bool inDiscFolder = false;
    Slots slots;
    std::vector<std::string> reasons; // sentences
};

struct FolderParts {
    std::vector<Part> parts;
    std::vector<const FileTraits*> strays;
};

FolderParts partsOfFolder(const std::vector<const FileTraits*>& files);

/// Works out everything of a part but its reasons.
void describe(Part& part);

/// How many files stand in a slot that another has, too.
size_t doubles(std::span<const FileTraits* const> files);

/// Both are known, and none is in both: they may complete each other.
bool complete(const Slots& a, const Slots& b);
Slots joined(const Slots& a, const Slots& b);

} // namespace moorfrost::matching
