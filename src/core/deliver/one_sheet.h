// SPDX-License-Identifier: GPL-3.0-or-later
// The one-sheet as a document: what stands on it, in order, without any look; and what is missing for it to
// be complete. The text, the page and the PDF are all made of this. Any thread.
#pragma once

#include "core/deliver/sheet_layout.h"
#include "core/deliver/sheet_subject.h"

namespace moorfrost::deliver {

enum class Tone {
    Plain,
    Quiet,   // less important
    Missing, // is to follow
    Open,    // is not settled
};
struct Cell {
    std::string text;
    Tone tone = Tone::Plain;
    bool isCode = false; // in the face with fixed widths
    bool operator==(const Cell&) const = default;
};
using Row = std::vector<Cell>;

/// A section of a song.
struct SheetPart {
    Section section = Section::Facts;
    std::string heading;
    std::vector<Row> rows;        // a table, or nothing
    bool endsInNumbers = false;   // its last column is set to the right
    std::vector<Cell> paragraphs; // each may have several lines
    bool operator==(const SheetPart&) const = default;
};

/// The release, or a song.
struct SheetItem {
    std::string title;
    std::vector<Row> lines; // below the title: what stands in a row is parted by dots
    bool hasPicture = false;
    std::vector<SheetPart> parts;
    bool ownPage = false;
    bool operator==(const SheetItem&) const = default;
};

struct SheetDocument {
    std::string title, author; // properties of a file
    std::string subject;       // what it is, for properties
    std::vector<std::string> keywords;
    std::vector<SheetItem> items;
    bool operator==(const SheetDocument&) const = default;
};
SheetDocument oneSheet(const SheetSubject& subject, const SheetLayout& layout);

/// What a complete sheet would have, of the sections that are on.
struct SheetGap {
    enum class Where { File, Work, Party, Release };
    Section section = Section::Facts;
    std::string sentence;
    bool isHard = false; // nothing is known; else something is open
    Where where = Where::File;
    int64_t id = 0;    // of the file, the card; of a release nothing
    std::string field; // the key of what is missing there
    bool operator==(const SheetGap&) const = default;
};
/// In the order of the layout; each once, whatever number of songs it is for.
std::vector<SheetGap> sheetGaps(const SheetSubject& subject, const SheetLayout& layout);

/// "3:41", "1:02:03".
std::string clockText(double seconds);
/// "ZZ-FSR-21-00031"; what is no ISRC as it is.
std::string shownIsrc(const std::string& isrc);

} // namespace moorfrost::deliver
