// SPDX-License-Identifier: GPL-3.0-or-later
// Lyrics as they are sung: verses of lines, with lines of chords above them, which are left as they stand.
// Any thread.
#pragma once

#include <string>
#include <string_view>
#include <vector>

namespace moorfrost::library {

struct LyricsLine {
    enum class Kind {
        Sung,
        Chords, // names of chords and blanks, nothing else: "Am   G/B  Csus4"
        Label,  // "[Chorus]", "Verse 2:"
    };
    Kind kind = Kind::Sung;
    std::string text; // as it stands, without blanks at its end
    bool operator==(const LyricsLine&) const = default;
};
using Verse = std::vector<LyricsLine>;

/// Blank lines part verses; none is empty.
std::vector<Verse> versesOf(std::string_view lyrics);
/// Whether any line is of chords: then the lines are read one above the other, in a face of fixed widths.
bool hasChords(const std::vector<Verse>& verses);
/// A name of a chord: a note, what kind it is, what is added, the note in the bass.
bool isChord(std::string_view word);

} // namespace moorfrost::library
