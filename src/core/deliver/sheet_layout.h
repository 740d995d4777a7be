// SPDX-License-Identifier: GPL-3.0-or-later
// Layouts of one-sheets: which sections stand on a sheet, in which order. Kept by name, as JSON that can be
// handed on. Any thread.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "core/base/result.h"

namespace moorfrost::deliver {

enum class Section {
    Facts,     // artist, release, length, tempo, key
    Codes,     // ISRC, ISWC, catalogue number, barcode
    Versions,  // of the family, stems
    People,    // writers and publishers with numbers and shares
    Owners,    // of the master
    Keywords,  // and the description
    Recording, // who played, when and where, how it is kept
    Contacts,
    Lyrics,
    Listen, // places that were marked
    Links,
    Picture, // the cover, and who made it
};

struct SectionDef {
    Section section;
    const char* key;   // in JSON
    const char* label; // on the screen
    const char* tells; // what is in it, in a few words
};
/// All of them, in the order that is proposed.
const std::vector<SectionDef>& allSections();
const SectionDef& sectionDef(Section section);

struct SheetLayout {
    struct Place {
        Section section = Section::Facts;
        bool on = true;
        bool operator==(const Place&) const = default;
    };
    std::string name;
    std::vector<Place> places; // each section once
    bool ownPages = false;     // every song begins a page
    bool showsMissing = true;  // "IPI to follow" where a number is missing, what is open of a sum
    bool has(Section section) const;
    bool operator==(const SheetLayout&) const = default;
};

/// Those that come with the application; the first is used until another is chosen.
const std::vector<SheetLayout>& shippedLayouts();

/// One, as it is kept and handed on.
std::string layoutJson(const SheetLayout& layout);
/// Sections that are not named stand at the end and are off; an Error (Invalid) says what was not understood.
Result<SheetLayout> layoutFromJson(std::string_view json);
/// As the setting `sheetLayouts` has them, with those that are shipped behind; what cannot be read is left
/// out. One that is kept takes the place of a shipped one of its name.
std::vector<SheetLayout> layoutsFrom(const std::vector<std::string>& kept);
/// By its name, whatever the case; nullptr where there is none.
const SheetLayout* layoutNamed(const std::vector<SheetLayout>& layouts, std::string_view name);

} // namespace moorfrost::deliver
