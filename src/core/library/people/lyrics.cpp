// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/people/lyrics.h"

#include <algorithm>
#include <regex>

#include "core/text/text.h"

namespace moorfrost::library {

namespace {

constexpr size_t longestChord = 14, longestLabel = 40;

bool isChordLine(const std::string& line) {
    size_t chords = 0;
    for (const std::string& word : text::split(text::replaceAll(line, "\t", " "), " ")) {
        if (word.empty() || word == "|" || word == "/" || word == "-" || word == "%")
            continue;
        if (!isChord(word))
            return false;
        ++chords;
    }
    return chords > 0;
}

bool isLabel(const std::string& line) {
    const std::string clean = text::trim(line);
    if (clean.size() < 3 || clean.size() > longestLabel)
        return false;
    if (clean.front() == '[' && clean.back() == ']')
        return true;
    if (clean.back() != ':')
        return false;
    const std::string folded = text::fold(clean);
    for (const char* word : {"verse", "chorus", "bridge", "refrain", "intro", "outro", "coda", "middle"})
        if (folded.starts_with(word))
            return true;
    return false;
}

} // namespace

bool isChord(std::string_view word) {
    if (word.empty() || word.size() > longestChord)
        return false;
    // A note with its sharp or flat; minor, major, diminished ...; figures and what is added; the bass.
    static const std::regex form("^\\(?[A-H][#b]?(m|M|maj|min|dim|aug|sus|add|\\+|o)?"
                                 "([0-9]{0,2})((sus|add|maj|b|#|/|-|\\+)[0-9]{0,2})*(/[A-H][#b]?)?\\)?$");
    return std::regex_match(word.begin(), word.end(), form);
}

std::vector<Verse> versesOf(std::string_view lyrics) {
    std::vector<Verse> out;
    Verse verse;
    for (std::string line : text::split(text::replaceAll(lyrics, "\r", ""), "\n")) {
        while (!line.empty() && (line.back() == ' ' || line.back() == '\t'))
            line.pop_back();
        if (line.empty()) {
            if (!verse.empty())
                out.push_back(std::move(verse));
            verse.clear();
            continue;
        }
        // "A" alone is a word of many songs; with another chord, or with a sung line below it, it is one.
        const auto kind = isLabel(line)       ? LyricsLine::Kind::Label
                          : isChordLine(line) ? LyricsLine::Kind::Chords
                                              : LyricsLine::Kind::Sung;
        verse.push_back({kind, std::move(line)});
    }
    if (!verse.empty())
        out.push_back(std::move(verse));
    for (Verse& v : out)
        for (size_t i = 0; i < v.size(); ++i)
            if (v[i].kind == LyricsLine::Kind::Chords && text::trim(v[i].text).size() == 1 &&
                i + 1 == v.size())
                v[i].kind = LyricsLine::Kind::Sung;
    return out;
}

bool hasChords(const std::vector<Verse>& verses) {
    return std::ranges::any_of(verses, [](const Verse& verse) {
        return std::ranges::any_of(
            verse, [](const LyricsLine& line) { return line.kind == LyricsLine::Kind::Chords; });
    });
}

} // namespace moorfrost::library
