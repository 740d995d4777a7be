// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the module: what is looked for within one release, as its files tell it. On the thread of the store
// where it says so.
#pragma once

#include <functional>
#include <span>

#include "core/library/findings/finding.h"

namespace moorfrost::library {

/// The files of a release (or a folder of strays without an album), those that can be read.
struct CheckedRelease {
    std::span<const FileRecord> files; // in the order of their numbers
    std::string name;                  // for people: "Lanterns, Kestrel & Rook"
    bool isAlbum = false;
};

using FindingSink = std::function<void(Finding&&)>;

/// A finding of a rule about a release; `part`: what of it ("date").
Finding findingOf(const char* rule, const CheckedRelease& release, std::string_view part,
                  const std::vector<FileId>& files);
std::string fileName(const FileRecord& file);
/// "Gorse", else the name of the file.
std::string trackName(const FileRecord& file);
/// Lower case, unless it is one ("ISRC").
std::string fieldName(std::string_view key);

void checkWords(const RuleChoices& rules, const CheckedRelease& release, const FindingSink& found);
void checkPictures(const RuleChoices& rules, const CheckedRelease& release, const FindingSink& found);
void checkCodes(const RuleChoices& rules, const CheckedRelease& release, const FindingSink& found);

} // namespace moorfrost::library
