// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/matching/file_traits.h"

#include <algorithm>
#include <array>
#include <cstdlib>

#include "core/text/text.h"
#include "core/text/words.h"

namespace moorfrost::matching {

namespace {

bool isDigit(char c) {
    return c >= '0' && c <= '9';
}

template<size_t N>
bool isOneOf(std::string_view word, const std::array<std::string_view, N>& words) {
    return std::find(words.begin(), words.end(), word) != words.end();
}

constexpr std::array<std::string_view, 4> discWords{"cd", "disc", "disk", "disque"};

std::vector<std::string> wordsOf(std::string_view text) {
    std::vector<std::string> out;
    text::eachWord(text::fold(text), [&](std::string_view word) { out.emplace_back(word); });
    return out;
}

/// "cd2": 2.
int discInWord(std::string_view word) {
    for (std::string_view w : discWords)
        if (word.starts_with(w) && word.size() > w.size() && word.size() <= w.size() + 2 &&
            text::isDigits(word.substr(w.size())))
            return std::atoi(std::string(word.substr(w.size())).c_str());
    return 0;
}

int number(const tags::Fields& fields, const char* key) {
    return std::clamp(std::atoi(tags::firstValue(fields, key).c_str()), 0, 99999);
}

/// How many digits stand at `at`.
size_t digitsAt(std::string_view s, size_t at) {
    size_t n = 0;
    while (at + n < s.size() && isDigit(s[at + n]))
        ++n;
    return n;
}

int numberAt(std::string_view s, size_t at, size_t digits) {
    return std::atoi(std::string(s.substr(at, digits)).c_str());
}

/// A number that opens `s`, as tracks are numbered: "04", "4.", "1-04", "B2". False if there is none.
bool openingNumber(std::string_view s, NameParts& out) {
    if (s.size() >= 2 && s[0] >= 'A' && s[0] <= 'H' && isDigit(s[1])) {
        size_t n = digitsAt(s, 1);
        if (n <= 2 &&
            (n + 1 == s.size() || std::string_view(" .-_").find(s[n + 1]) != std::string_view::npos)) {
            out.disc = s[0] - 'A' + 1;
            out.track = numberAt(s, 1, n);
            return true;
        }
    }
    size_t n = digitsAt(s, 0);
    if (n == 0 || n > 3)
        return false;
    if (n == 1 && s.size() > 3 && (s[1] == '-' || s[1] == '.') && digitsAt(s, 2) == 2) {
        out.disc = numberAt(s, 0, 1);
        out.track = numberAt(s, 2, 2);
        return true;
    }
    if (n < s.size() && std::string_view(" .-_)").find(s[n]) == std::string_view::npos)
        return false; // "7th", "2AM"
    out.track = numberAt(s, 0, n);
    return true;
}

/// "Reel 01 - side A": the side of a carrier, as one recording.
void closingSide(std::string_view stem, NameParts& out) {
    constexpr std::string_view gap = " -.";
    const std::string s = text::fold(stem);
    for (std::string_view word : {"side", "seite"}) {
        const size_t at = s.rfind(word);
        if (at == std::string::npos || at == 0 || (s[at - 1] >= 'a' && s[at - 1] <= 'z'))
            continue;
        const size_t letter = s.find_first_not_of(gap, at + word.size());
        const size_t last = s.find_last_not_of(gap, at - 1); // of what stands before
        if (letter == std::string::npos || letter + 1 != s.size() || last == std::string::npos)
            continue;
        const char c = s[letter];
        const int side = c >= 'a' && c <= 'h' ? c - 'a' + 1 : c >= '1' && c <= '8' ? c - '0' : 0;
        if (side == 0)
            continue;
        out.side = side;
        out.before = s.substr(0, last + 1);
        return;
    }
}

} // namespace

NameParts namePartsOf(const Path& file) {
    NameParts out;
    std::string stem = text::forDisplay(file.stem().native());
    if (openingNumber(stem, out))
        return out;
    const std::string spaced = text::replaceAll(text::replaceAll(stem, "_-_", " - "), "_", " ");
    std::vector<std::string> parts = text::split(spaced, " - ");
    if (parts.size() > 1)
        out.artist = artistKey(parts.front());
    for (size_t i = 1; i < parts.size(); ++i)
        if (openingNumber(text::trim(parts[i]), out)) {
            parts.resize(i);
            out.before = text::fold(text::join(parts, " - "));
            break;
        }
    if (out.track == 0)
        closingSide(spaced, out);
    return out;
}

std::string sharedBeginning(const std::vector<Path>& files) {
    std::string shared;
    for (size_t i = 0; i < files.size(); ++i) {
        if (namePartsOf(files[i]).before.empty())
            return {};
        const std::string stem = text::forDisplay(files[i].stem().native());
        if (i == 0)
            shared = stem;
        shared.resize(static_cast<size_t>(
            std::mismatch(shared.begin(), shared.end(), stem.begin(), stem.end()).first - shared.begin()));
    }
    auto trim = [&](std::string_view what) {
        const size_t last = shared.find_last_not_of(what);
        shared.resize(last == std::string::npos ? 0 : last + 1);
    };
    const std::string folded = text::fold(shared);
    for (std::string_view word : {"side", "seite"})
        if (const size_t at = folded.rfind(word);
            folded.size() == shared.size() && at != std::string::npos &&
            folded.find_first_not_of(" -._", at + word.size()) == std::string::npos) {
            shared.resize(at);
            trim(" -._");
            return shared;
        }
    trim(" -._0123456789"); // the numbers that begin alike
    return files.size() > 1 ? shared : std::string();
}

int discOfFolder(const Path& folder) {
    std::vector<std::string> words = wordsOf(text::forDisplay(folder.filename().native()));
    if (words.size() == 1)
        return discInWord(words[0]);
    if (words.size() != 2)
        return 0;
    if (isOneOf(words[0], discWords) && text::isDigits(words[1]) && words[1].size() <= 2)
        return std::atoi(words[1].c_str());
    if (words[0] == "side" || words[0] == "seite") {
        if (words[1].size() == 1 && words[1][0] >= 'a' && words[1][0] <= 'h')
            return words[1][0] - 'a' + 1;
        if (text::isDigits(words[1]) && words[1].size() == 1)
            return std::atoi(words[1].c_str());
    }
    return 0;
}

std::string albumKey(std::string_view album, int* disc) {
    std::vector<std::string> words = wordsOf(album);
    if (!words.empty())
        if (int d = discInWord(words.back()); d > 0 && words.size() > 1) {
            if (disc)
                *disc = d;
            words.pop_back();
        }
    if (words.size() > 2 && text::isDigits(words.back()) && words.back().size() <= 2 &&
        isOneOf(words[words.size() - 2], discWords)) {
        if (disc)
            *disc = std::atoi(words.back().c_str());
        words.resize(words.size() - 2);
    }
    std::string key = text::join(words, " ");
    constexpr std::array<std::string_view, 9> none{"unknown",        "unknown album", "untitled",
                                                   "untitled album", "no album",      "none",
                                                   "album",          "misc",          "unknown title"};
    return isOneOf(key, none) ? std::string() : key;
}

std::string artistKey(std::string_view artist) {
    constexpr std::array<std::string_view, 4> guests{"feat", "ft", "featuring", "guest"};
    constexpr std::array<std::string_view, 4> small{"the", "and", "und", "et"};
    constexpr std::array<std::string_view, 5> many{"various artists", "various", "va", "diverse", "v a"};
    constexpr std::array<std::string_view, 3> none{"unknown artist", "unknown", "no artist"};
    std::vector<std::string> words;
    for (std::string& word : wordsOf(artist)) {
        if (isOneOf(word, guests) && !words.empty())
            break;
        if (!isOneOf(word, small))
            words.push_back(std::move(word));
    }
    std::string key = text::join(words, " ");
    return isOneOf(key, many) ? "*" : isOneOf(key, none) ? std::string() : key;
}

FileTraits traitsOf(const SleeveInput& file) {
    auto first = [&](const char* key) -> const std::string& { return tags::firstValue(file.fields, key); };
    FileTraits t;
    t.id = file.id;
    t.folder = file.path.parent_path();
    t.name = namePartsOf(file.path);
    int albumDisc = 0;
    t.shownAlbum = first("album");
    t.album = albumKey(t.shownAlbum, &albumDisc);
    t.albumArtist = artistKey(first("album_artist"));
    t.artist = artistKey(first("artist"));
    t.barcode = first("barcode");
    t.format = file.format;
    t.picture = file.picture;
    t.seconds = file.seconds;
    t.modified = file.modified;
    t.track = number(file.fields, "track");
    const bool numbered = t.track > 0; // by the tags
    if (!numbered)
        t.track = t.name.track;
    t.tracks = number(file.fields, "tracks");
    t.disc = number(file.fields, "disc");
    const int folderDisc = discOfFolder(t.folder);
    // Where both tell, the folder is right: some number every disc as the first.
    if (folderDisc > 0)
        t.disc = folderDisc;
    for (int told : {albumDisc, numbered ? 0 : t.name.disc})
        if (t.disc == 0)
            t.disc = told;
    t.year = std::atoi(first("date").substr(0, 4).c_str());
    const std::string& compilation = first("compilation");
    t.compilation = (!compilation.empty() && compilation != "0") || t.albumArtist == "*";
    t.order = playKey(file);
    return t;
}

} // namespace moorfrost::matching
