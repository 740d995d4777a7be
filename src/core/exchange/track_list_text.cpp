// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/exchange/track_list_text.h"

#include <algorithm>
#include <array>
#include <cstdlib>
#include <optional>
#include <set>

#include "core/reference/release_json.h"
#include "core/text/text.h"

namespace moorfrost::exchange {

namespace {

using reference::Medium;
using reference::Track;
using Kind = TrackListLine::Kind;

constexpr size_t longestText = 4u << 20, mostLines = 20000;

bool isDigit(char c) {
    return c >= '0' && c <= '9';
}

bool isLetter(char c) {
    return (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z');
}

/// Markup, entities and the many kinds of dashes, quotes and blanks as plain ones.
std::string plain(std::string_view line) {
    std::string out;
    for (size_t i = 0; i < line.size(); ++i) {
        if (line[i] == '<') { // a mark of a page, not "less than"
            const size_t end = line.find('>', i);
            const char next = i + 1 < line.size() ? line[i + 1] : ' ';
            if (end != std::string_view::npos && (isLetter(next) || next == '/' || next == '!')) {
                const std::string name = text::lower(line.substr(i + 1, end - i - 1));
                if (name.starts_with("td") || name.starts_with("th") || name.starts_with("/td"))
                    out += '\t';
                i = end;
                continue;
            }
        }
        out += line[i];
    }
    for (const auto& [what, with] :
         {std::pair("&nbsp;", " "), {"&amp;", "&"},   {"&quot;", "\""}, {"&#39;", "'"},   {"&apos;", "'"},
          {"&ndash;", "-"},         {"&mdash;", "-"}, {"&lt;", "<"},    {"&gt;", ">"},    {"\u00A0", " "},
          {"\u2009", " "},          {"\u202F", " "},  {"\u2003", " "},  {"\u200B", ""},   {"\uFEFF", ""},
          {"\u2010", "-"},          {"\u2011", "-"},  {"\u2012", "-"},  {"\u2212", "-"},  {"\u2236", ":"},
          {"\uFF1A", ":"},          {"\u2032", "'"},  {"\u2033", "\""}, {"\u2026", "..."}})
        out = text::replaceAll(out, what, with);
    // Control characters other than tabs.
    std::erase_if(out, [](char c) { return static_cast<unsigned char>(c) < 0x20 && c != '\t'; });
    return out;
}

/// Takes a dash of any length with blanks around it, and what else stands between parts, off both ends.
std::string trimmed(std::string_view text) {
    static const std::array<std::string_view, 4> dashes = {"\u2013", "\u2014", "\u2022", "\u00B7"};
    bool more = true;
    while (more) {
        more = false;
        while (!text.empty() && std::string_view(" \t,;|-:*_").find(text.front()) != std::string_view::npos)
            text.remove_prefix(1);
        while (!text.empty() && std::string_view(" \t,;|-:*_").find(text.back()) != std::string_view::npos)
            text.remove_suffix(1);
        for (const std::string_view dash : dashes) {
            if (text.starts_with(dash)) {
                text.remove_prefix(dash.size());
                more = true;
            }
            if (text.ends_with(dash)) {
                text.remove_suffix(dash.size());
                more = true;
            }
        }
    }
    return std::string(text);
}

/// A title without the dots that lead to its length, and without quotes all around it.
std::string cleanTitle(std::string_view text) {
    std::string out = trimmed(text);
    size_t dots = 0;
    while (dots < out.size() && (out[out.size() - 1 - dots] == '.' || out[out.size() - 1 - dots] == ' '))
        ++dots;
    if (std::count(out.end() - static_cast<std::ptrdiff_t>(dots), out.end(), '.') > 3)
        out = trimmed(out.substr(0, out.size() - dots));
    for (const auto& [open, close] : {std::pair<std::string_view, std::string_view>("\"", "\""),
                                      {"\u201C", "\u201D"},
                                      {"\u201E", "\u201C"},
                                      {"\u00AB", "\u00BB"},
                                      {"\u300C", "\u300D"}})
        if (out.size() > open.size() + close.size() && out.starts_with(open) && out.ends_with(close) &&
            out.find(close, open.size()) == out.size() - close.size())
            return trimmed(out.substr(open.size(), out.size() - open.size() - close.size()));
    return out;
}

/// A length at `at`: where it ends, and what it is in milliseconds.
struct FoundLength {
    size_t begin = 0, end = 0;
    int64_t ms = 0;
    bool bracketed = false;
    bool dotted = false; // "3.41": may be another number
};

/// Reads digits; false where there are none or more than `most`.
bool digits(std::string_view s, size_t& at, int most, int64_t& out) {
    const size_t from = at;
    out = 0;
    while (at < s.size() && isDigit(s[at]) && static_cast<int>(at - from) < most)
        out = out * 10 + (s[at++] - '0');
    return at > from && !(at < s.size() && isDigit(s[at]));
}

std::optional<FoundLength> lengthAt(std::string_view s, size_t from) {
    if (from > 0 && (isDigit(s[from - 1]) || s[from - 1] == ':' || s[from - 1] == '.'))
        return std::nullopt;
    size_t at = from;
    int64_t first = 0, second = 0, third = 0;
    if (!digits(s, at, 4, first))
        return std::nullopt;
    auto skipBlank = [&] {
        while (at < s.size() && s[at] == ' ')
            ++at;
    };
    FoundLength out{from, 0, 0, false, false};
    auto word = [&](std::string_view w) {
        const size_t next = at + w.size();
        if (text::lower(s.substr(at, w.size())) != w || (next < s.size() && isLetter(s[next])))
            return false;
        at = next;
        return true;
    };
    if (at < s.size() &&
        (s[at] == ':' || s[at] == '\'' || s.substr(at).starts_with("\u2019") || s[at] == '.')) {
        out.dotted = s[at] == '.';
        const bool minutes = s[at] == '\'' || s.substr(at).starts_with("\u2019");
        at += s.substr(at).starts_with("\u2019") ? 3 : 1;
        const size_t begin = at;
        if (!digits(s, at, 2, second) || at - begin != 2 || second > 59)
            return std::nullopt;
        if (!out.dotted && !minutes && at + 2 < s.size() && s[at] == ':' && isDigit(s[at + 1])) {
            ++at;
            const size_t third0 = at;
            if (!digits(s, at, 2, third) || at - third0 != 2 || third > 59)
                return std::nullopt;
            out.ms = ((first * 60 + second) * 60 + third) * 1000;
        } else {
            out.ms = (first * 60 + second) * 1000;
        }
        if (!out.dotted && !minutes && at + 1 < s.size() && (s[at] == '.' || s[at] == ',') &&
            isDigit(s[at + 1])) {
            int64_t scale = 100;
            for (++at; at < s.size() && isDigit(s[at]); ++at, scale /= 10)
                out.ms += scale * (s[at] - '0');
        }
        if (minutes) {
            if (at < s.size() && s[at] == '"')
                ++at;
            else if (s.substr(at).starts_with("\u201D"))
                at += 3;
            else if (s.substr(at).starts_with("''"))
                at += 2;
        } else {
            const size_t had = at;
            skipBlank();
            if (!(word("min") || word("mins") || word("min.") || word("minutes") || word("h")))
                at = had;
        }
    } else { // "3 min 41 s", "3m41s", "3m 41"
        skipBlank();
        if (!(word("minutes") || word("min") || word("mins") || (s.substr(at, 1) == "m" && (++at, true))))
            return std::nullopt;
        skipBlank();
        const size_t begin = at;
        if (!digits(s, at, 2, second) || second > 59) {
            at = begin;
            return std::nullopt;
        }
        skipBlank();
        if (!(word("seconds") || word("sec") || word("s")) && at < s.size() && isLetter(s[at]))
            return std::nullopt;
        out.ms = (first * 60 + second) * 1000;
    }
    if (at < s.size() && (isDigit(s[at]) || isLetter(s[at])))
        return std::nullopt;
    out.end = at;
    return out;
}

/// The length that a line tells: the last one in brackets, or that at its end, or that at its beginning.
std::optional<FoundLength> lengthIn(std::string_view s) {
    std::optional<FoundLength> bracketed, last;
    for (size_t i = 0; i < s.size(); ++i) {
        if (!isDigit(s[i]))
            continue;
        auto found = lengthAt(s, i);
        if (!found)
            continue;
        size_t before = found->begin, after = found->end;
        while (before > 0 && s[before - 1] == ' ')
            --before;
        while (after < s.size() && s[after] == ' ')
            ++after;
        if (before > 0 && after < s.size() &&
            ((s[before - 1] == '(' && s[after] == ')') || (s[before - 1] == '[' && s[after] == ']'))) {
            found->begin = before - 1;
            found->end = after + 1;
            found->bracketed = true;
            bracketed = found;
        } else {
            last = found;
        }
        i = found->end > i ? found->end - 1 : i;
    }
    if (bracketed)
        return bracketed;
    if (!last)
        return std::nullopt;
    // Bare ones count at the ends of the line only.
    const bool atEnd = trimmed(s.substr(last->end)).empty();
    const bool atStart = trimmed(s.substr(0, last->begin)).empty();
    const bool parted = last->begin == 0 || !isLetter(s[last->begin - 1]);
    if (parted && (atEnd || (atStart && !last->dotted)))
        return last;
    if (!last->dotted) // one that stands in front may be followed by another at the end that is none
        for (size_t i = 0; i < s.size() && i < 3; ++i)
            if (isDigit(s[i]))
                return lengthAt(s, i);
    return std::nullopt;
}

/// The place in front of a title.
struct FoundPlace {
    std::string side; // "A"; ""
    int medium = 0;   // "2-03"; 0
    int number = 0;   // 0: a side alone
    size_t end = 0;
    bool sure = false; // something stands behind the number that titles do not begin with
};

int romanNumber(std::string_view s) {
    static const std::array<const char*, 30> all = {
        "i",   "ii",   "iii",   "iv",   "v",   "vi",   "vii",   "viii",   "ix",   "x",
        "xi",  "xii",  "xiii",  "xiv",  "xv",  "xvi",  "xvii",  "xviii",  "xix",  "xx",
        "xxi", "xxii", "xxiii", "xxiv", "xxv", "xxvi", "xxvii", "xxviii", "xxix", "xxx"};
    const std::string low = text::lower(s);
    for (size_t i = 0; i < all.size(); ++i)
        if (low == all[i])
            return static_cast<int>(i) + 1;
    return 0;
}

std::optional<FoundPlace> placeAt(std::string_view s) {
    size_t at = 0;
    auto skipBlank = [&] {
        while (at < s.size() && (s[at] == ' ' || s[at] == '\t'))
            ++at;
    };
    FoundPlace out;
    skipBlank();
    for (const char* word : {"track", "titel", "song", "no.", "nr.", "#", "\u2116"})
        if (text::lower(s.substr(at, std::string_view(word).size())) == word) {
            const size_t had = at;
            at += std::string_view(word).size();
            skipBlank();
            if (at < s.size() && isDigit(s[at])) {
                out.sure = true;
                break;
            }
            at = had;
        }
    const bool bracketed = at < s.size() && (s[at] == '[' || s[at] == '(');
    at += bracketed;
    int64_t number = 0;
    if (at < s.size() && isDigit(s[at])) {
        if (!digits(s, at, 4, number))
            return std::nullopt;
        out.number = static_cast<int>(number);
        // "1-03", "1.03": a disc and a number of two digits.
        if (at + 2 < s.size() && (s[at] == '-' || s[at] == '.') && isDigit(s[at + 1]) && isDigit(s[at + 2]) &&
            !(at + 3 < s.size() && (isDigit(s[at + 3]) || s[at + 3] == ':'))) {
            out.medium = out.number;
            out.number = (s[at + 1] - '0') * 10 + s[at + 2] - '0';
            at += 3;
            out.sure = true;
        } else if (at < s.size() && s[at] == ':' && at + 1 < s.size() && isDigit(s[at + 1])) {
            return std::nullopt; // a length
        }
    } else if (at < s.size() && isLetter(s[at])) {
        size_t end = at;
        while (end < s.size() && isLetter(s[end]))
            ++end;
        const std::string_view letters = s.substr(at, end - at);
        const bool numbered = end < s.size() && isDigit(s[end]);
        const bool marked =
            end < s.size() && (s[end] == '.' || s[end] == ')' || s[end] == ':' || s[end] == '\t');
        if (numbered && letters.size() <= 2 &&
            (letters.size() == 1 || (letters[0] | 32) == (letters[1] | 32))) {
            out.side = text::upper(letters);
            at = end;
            if (!digits(s, at, 2, number))
                return std::nullopt;
            out.number = static_cast<int>(number);
            out.sure = true;
        } else if (const int roman = romanNumber(letters); marked && roman > 0) {
            out.number = roman;
            at = end;
        } else if (marked && letters.size() == 1 && s[at] >= 'A' && s[at] <= 'Z') {
            out.side = std::string(letters);
            at = end;
        } else {
            return std::nullopt;
        }
    } else {
        return std::nullopt;
    }
    if (bracketed) {
        if (at >= s.size() || (s[at] != ']' && s[at] != ')'))
            return std::nullopt;
        out.sure = true;
    }
    const size_t behind = at;
    while (at < s.size() && std::string_view(".):]/-,;|").find(s[at]) != std::string_view::npos)
        ++at;
    out.sure |= at > behind;
    const bool blank = at < s.size() && (s[at] == ' ' || s[at] == '\t');
    const bool dash = s.substr(at).starts_with("\u2013") || s.substr(at).starts_with("\u2014");
    if (at >= s.size() || (!blank && !dash && at == behind))
        return std::nullopt;
    out.sure |= dash || (at < s.size() && s[at] == '\t');
    skipBlank();
    if (s.substr(at).starts_with("- ") || s.substr(at).starts_with("\u2013") ||
        s.substr(at).starts_with("\u2014"))
        out.sure = true;
    out.end = at;
    return out;
}

/// "Side A", "CD 2", "Disc Two: Live", "Seite B".
struct FoundHeading {
    std::string carrier, title, side;
    int number = 0;
};

int numberWord(std::string_view word) {
    static const std::array<const char*, 10> all = {"one", "two",   "three", "four", "five",
                                                    "six", "seven", "eight", "nine", "ten"};
    for (size_t i = 0; i < all.size(); ++i)
        if (word == all[i])
            return static_cast<int>(i) + 1;
    const bool number = !word.empty() && word.size() <= 2 && text::isDigits(word);
    return number ? std::atoi(std::string(word).c_str()) : romanNumber(word);
}

std::optional<FoundHeading> headingOf(std::string_view line) {
    const std::string clean = trimmed(line);
    const std::string low = text::lower(clean);
    struct Word {
        const char* word;
        const char* carrier;
        bool side;
    };
    static const std::array<Word, 14> words = {{{"side", "", true},
                                                {"seite", "", true},
                                                {"cara", "", true},
                                                {"face", "", true},
                                                {"disc", "", false},
                                                {"disk", "", false},
                                                {"cd", "CD", false},
                                                {"lp", "Vinyl", false},
                                                {"vinyl", "Vinyl", false},
                                                {"record", "Vinyl", false},
                                                {"cassette", "Cassette", false},
                                                {"tape", "Cassette", false},
                                                {"dvd", "DVD", false},
                                                {"medium", "", false}}};
    for (const Word& w : words) {
        const std::string_view word = w.word;
        if (!low.starts_with(word))
            continue;
        size_t at = word.size();
        if (at < low.size() && isLetter(low[at]))
            continue;
        while (at < low.size() && (low[at] == ' ' || low[at] == '-'))
            ++at;
        size_t end = at;
        while (end < low.size() && (isLetter(low[end]) || isDigit(low[end])))
            ++end;
        const std::string_view which = std::string_view(low).substr(at, end - at);
        FoundHeading out;
        out.carrier = w.carrier;
        if (w.side && which.size() == 1 && isLetter(which[0])) {
            out.side = text::upper(which);
        } else if (const int number = numberWord(which); number > 0) {
            out.number = number;
            if (w.side)
                out.side = std::string(1, static_cast<char>('A' + std::min(number, 26) - 1));
        } else {
            continue;
        }
        // What follows is its title, in brackets or behind a colon; anything else makes it no heading.
        std::string_view rest = std::string_view(clean).substr(end);
        if (lengthIn(rest))
            rest = rest.substr(0, lengthIn(rest)->begin);
        const std::string tail = trimmed(rest);
        if (!tail.empty()) {
            const char next = rest.front();
            if (next != ':' && next != '(' && next != '[' && !rest.starts_with(" -") &&
                !rest.starts_with(" \u2013") && !rest.starts_with(" (") && !rest.starts_with(" ["))
                continue;
            out.title = tail;
            if (out.title.size() > 2 && (out.title.front() == '(' || out.title.front() == '['))
                out.title = trimmed(out.title.substr(1, out.title.size() - 2));
        }
        return out;
    }
    return std::nullopt;
}

bool isTalk(std::string_view line) {
    const std::string low = text::lower(trimmed(line));
    for (const char* word :
         {"tracklist",  "track list", "tracks",   "titles",   "total",    "running time", "playing time",
          "credits",    "\u2117",     "\u00A9",   "(c)",      "(p)",      "produced by",  "recorded ",
          "written by", "all rights", "http",     "www.",     "mastered", "mixed by",     "released",
          "label:",     "genre",      "share",    "buy ",     "add to",   "comments",     "reviews",
          "format:",    "country:",   "artist:",  "barcode",  "notes",    "gesamt",       "home",
          "login",      "sign in",    "search",   "menu",     "cookie",   "privacy",      "contact",
          "about us",   "next page",  "previous", "play all", "download", "length",       "duration",
          "position",   "title"})
        if (low.starts_with(word)) {
            const size_t end = std::string_view(word).size();
            const bool whole = low.size() == end || !isLetter(low[end]) || !isLetter(word[end - 1]);
            // One of these may begin a title: "Share of the Sea". Only what is short or goes on as such is
            // none.
            const std::string rest = trimmed(std::string_view(low).substr(end));
            if (whole && (rest.empty() || !isLetter(rest.front()) || low.size() > 60 || word[0] == '(' ||
                          std::string_view(word).ends_with(' ') || std::string_view(word).ends_with(" by") ||
                          std::string_view(word).ends_with(":") || word == std::string_view("http")))
                return true;
            if (word == std::string_view("total") &&
                (rest.starts_with("time") || rest.starts_with("length") || rest.starts_with("playing") ||
                 rest.starts_with("running") || rest.starts_with("duration")))
                return true;
            if (word == std::string_view("running time") || word == std::string_view("playing time") ||
                word == std::string_view("\u2117") || word == std::string_view("\u00A9"))
                return true;
        }
    return false;
}

/// Columns: tabs, bars, semicolons, commas with numbers in front and lengths behind, or two blanks and more.
std::vector<std::string> columnsOf(std::string_view line) {
    std::vector<std::string> out;
    auto split = [&](std::string_view by) {
        for (std::string& part : text::split(line, by))
            out.push_back(text::trim(part));
    };
    if (line.find('\t') != std::string_view::npos)
        split("\t");
    else if (std::ranges::count(line, '|') >= 2)
        split("|");
    else if (std::ranges::count(line, ';') >= 1)
        split(";");
    else
        return out;
    while (!out.empty() && out.front().empty())
        out.erase(out.begin());
    while (!out.empty() && out.back().empty())
        out.pop_back();
    return out.size() < 2 ? std::vector<std::string>() : out;
}

/// A line, taken apart.
struct Read {
    size_t line = 0;
    std::optional<FoundPlace> place;
    int64_t ms = 0;
    bool hasLength = false, lengthFirst = false, dotted = false;
    std::string rest, whole;          // with and without the place taken off: see title()
    std::vector<std::string> columns; // of text
    std::optional<FoundHeading> heading;
    bool talk = false;
};

Read readLine(const std::string& line, size_t number) {
    Read out;
    out.line = number;
    std::string s = plain(line);
    s = text::trim(s);
    for (const char* bullet : {"\u2022", "\u00B7", "\u25CF", "\u25AA", "\u2023", "* ", "+ ", "- ", "> "})
        if (s.starts_with(bullet))
            s = text::trim(s.substr(std::string_view(bullet).size()));
    out.heading = headingOf(s);
    out.talk = isTalk(s);
    std::vector<std::string> columns = columnsOf(s);
    if (columns.empty()) {
        // A length before the place: "3:41 1. Night Post" is not usual; the place comes first.
        out.place = placeAt(s);
        const size_t from = out.place ? out.place->end : 0;
        std::string rest = s.substr(from);
        if (const auto found = lengthIn(rest)) {
            out.hasLength = true;
            out.ms = found->ms;
            out.dotted = found->dotted && !found->bracketed;
            out.lengthFirst = trimmed(rest.substr(0, found->begin)).empty() && found->end < rest.size();
            out.rest = rest.substr(0, found->begin) + " " + rest.substr(found->end);
            out.whole = s.substr(0, from) + out.rest;
        } else {
            out.rest = rest;
            out.whole = s;
        }
        return out;
    }
    for (size_t i = 0; i < columns.size(); ++i) {
        const std::string& column = columns[i];
        if (i == 0)
            if (auto place = placeAt(column + "\t")) {
                if (trimmed(column.substr(std::min(place->end, column.size()))).empty()) {
                    place->sure = true;
                    out.place = place;
                    continue;
                }
                if (place->sure) {
                    out.place = place;
                    out.columns.push_back(column.substr(place->end));
                    continue;
                }
            }
        if (const auto found = lengthIn(column);
            found && !out.hasLength &&
            trimmed(column.substr(0, found->begin) + column.substr(found->end)).empty()) {
            out.hasLength = true;
            out.ms = found->ms;
            out.lengthFirst = i == 0;
            continue;
        }
        out.columns.push_back(column);
    }
    if (!out.hasLength && !out.columns.empty())
        if (const auto found = lengthIn(out.columns.back()); found && found->bracketed) {
            out.hasLength = true;
            out.ms = found->ms;
            out.columns.back() = out.columns.back().substr(0, found->begin);
        }
    for (const std::string& column : out.columns)
        out.rest += (out.rest.empty() ? "" : "\t") + column;
    out.whole = out.rest;
    return out;
}

/// Which of the reads are tracks, by what most of them look like.
struct Shape {
    bool places = false, lengths = false;
};

/// Whether the place of `b` follows that of `a` in a list.
bool follows(const FoundPlace& a, const FoundPlace& b) {
    if (a.medium == b.medium && a.side == b.side)
        return b.number == a.number + 1;
    return b.number <= 1; // another disc or side begins
}

/// Marks places that stand in a run: numbers that go on from line to line.
std::vector<bool> runs(const std::vector<Read>& lines) {
    std::vector<bool> out(lines.size());
    size_t last = SIZE_MAX;
    std::vector<size_t> run;
    auto take = [&] {
        // Two lines in a row may be chance, unless the numbers are marked as such.
        const bool marked = std::ranges::all_of(run, [&](size_t i) { return lines[i].place->sure; });
        if (run.size() >= 3 || (run.size() >= 1 && marked))
            for (const size_t i : run)
                out[i] = true;
        run.clear();
    };
    for (size_t i = 0; i < lines.size(); ++i) {
        if (!lines[i].place || (lines[i].talk && !lines[i].place->sure))
            continue;
        const FoundPlace& place = *lines[i].place;
        const bool goesOn = last != SIZE_MAX && follows(*lines[last].place, place);
        if (goesOn && (run.empty() || place.number != 1 || !place.side.empty() || place.medium > 0)) {
            run.push_back(i);
        } else if (place.number <= 1 || run.empty()) {
            take();
            run.push_back(i);
        } else {
            continue; // "1998 Gannet Row" between 3 and 4
        }
        last = i;
    }
    take();
    return out;
}

/// Lines behind one another that begin at 0 and rise tell when tracks begin, not how long they are.
bool areStarts(const std::vector<const Read*>& tracks) {
    int64_t last = -1;
    size_t zero = 0;
    for (const Read* r : tracks) {
        if (!r->hasLength || r->ms <= last)
            return false;
        zero += r->ms == 0;
        last = r->ms;
    }
    return zero == 1 && tracks.size() > 1;
}

size_t distinct(const std::vector<std::string>& texts) {
    std::set<std::string> all;
    for (const std::string& t : texts)
        all.insert(text::fold(t));
    return all.size();
}

/// " - " with any dash: the parts.
std::vector<std::string> dashed(const std::string& title) {
    std::string s = title;
    for (const char* dash : {" \u2013 ", " \u2014 ", " -- "})
        s = text::replaceAll(s, dash, " - ");
    std::vector<std::string> out;
    for (std::string& part : text::split(s, " - "))
        out.push_back(cleanTitle(part));
    return out;
}

} // namespace

size_t TrackListText::tracks() const {
    size_t out = 0;
    for (const Medium& m : media)
        out += m.tracks.size();
    return out;
}

TrackListText readTrackList(std::string_view input) {
    TrackListText out;
    if (input.size() > longestText) {
        out.trouble = "The text is longer than 4 MB: only its beginning was read.";
        input = input.substr(0, longestText);
    }
    std::string all;
    if (text::isUtf8(input))
        all = input;
    else
        for (const char c : input)
            all += static_cast<unsigned char>(c) < 0x80 ? std::string(1, c) : std::string("\uFFFD");
    for (const auto& [what, with] : {std::pair("\r\n", "\n"),
                                     {"\r", "\n"},
                                     {"\u2028", "\n"},
                                     {"<br>", "\n"},
                                     {"<br/>", "\n"},
                                     {"<br />", "\n"},
                                     {"</li>", "\n"},
                                     {"</tr>", "\n"},
                                     {"</p>", "\n"}})
        all = text::replaceAll(all, what, with);
    std::vector<std::string> texts = text::split(all, "\n");
    if (texts.size() > mostLines) {
        out.trouble = "The text has more than 20,000 lines: only the first of them were read.";
        texts.resize(mostLines);
    }
    std::vector<Read> lines;
    for (size_t i = 0; i < texts.size(); ++i) {
        out.lines.push_back({texts[i], Kind::Blank});
        if (text::trim(plain(texts[i])).empty())
            continue;
        out.lines.back().kind = Kind::LeftOut;
        lines.push_back(readLine(texts[i], i));
    }

    const std::vector<bool> inRun = runs(lines);
    size_t content = 0, placed = 0, timed = 0, dotted = 0;
    for (size_t i = 0; i < lines.size(); ++i) {
        if (lines[i].heading && !inRun[i])
            continue;
        content += !lines[i].talk;
        placed += inRun[i];
        timed += lines[i].hasLength && !lines[i].talk;
        dotted += lines[i].hasLength && lines[i].dotted;
    }
    Shape shape;
    shape.places = placed >= 1 && (placed * 2 >= content || placed >= 3);
    shape.lengths = !shape.places && timed * 2 >= std::max<size_t>(content, 1);
    // "3.41" is a length where all have one.
    const bool dots = dotted * 2 >= std::max(placed, timed);

    std::vector<Track> tracks;
    std::vector<const Read*> reads;
    std::vector<std::pair<size_t, FoundHeading>> headings; // before which track
    for (size_t i = 0; i < lines.size(); ++i) {
        Read& r = lines[i];
        if (r.heading && !(inRun[i] && !shape.places)) {
            headings.emplace_back(reads.size(), *r.heading);
            out.lines[r.line].kind = Kind::Heading;
            continue;
        }
        const bool isTrack = shape.places    ? inRun[i]
                             : shape.lengths ? r.hasLength && !r.talk
                                             : !r.talk && trimmed(r.whole).size() <= 300;
        if (!isTrack)
            continue;
        if (r.hasLength && r.dotted && !dots) {
            const std::string s = text::trim(plain(out.lines[r.line].text));
            r.hasLength = false;
            r.ms = 0;
            r.rest = s.substr(r.place ? r.place->end : 0);
            r.whole = s;
        }
        if (!shape.places)
            r.rest = r.whole;
        out.lines[r.line].kind = Kind::Track;
        reads.push_back(&r);
        if (reads.size() > reference::maxTracks) {
            out.trouble = "There are more than 2,000 tracks in the text: only the first of them were taken.";
            reads.pop_back();
            break;
        }
    }

    // Titles and artists.
    std::vector<std::string> titles, artists(reads.size());
    std::vector<std::vector<std::string>> parts;
    for (const Read* r : reads) {
        std::vector<std::string> some;
        if (r->columns.size() > 1 && shape.places == r->place.has_value())
            for (const std::string& column : r->columns)
                some.push_back(cleanTitle(column));
        else
            some = dashed(cleanTitle(text::replaceAll(r->rest, "\t", " ")));
        titles.push_back(cleanTitle(text::replaceAll(r->rest, "\t", " ")));
        parts.push_back(std::move(some));
    }
    const auto two =
        static_cast<size_t>(std::ranges::count_if(parts, [](const auto& p) { return p.size() >= 2; }));
    const bool columns =
        !reads.empty() &&
        std::ranges::count_if(reads, [](const Read* r) { return r->columns.size() > 1; }) * 2 >
            static_cast<std::ptrdiff_t>(reads.size());
    if (two == reads.size() && two > 0) {
        std::vector<std::string> first, second;
        for (const auto& p : parts) {
            first.push_back(p[0]);
            second.push_back(p[1]);
        }
        const size_t a = distinct(first), b = distinct(second);
        // The artist is what comes again; where nothing does, columns have the title in front, dashes the
        // artist.
        const bool artistFirst = a != b ? a < b : !columns;
        // A dash in every one of two or three titles may be a part of them.
        if (columns || a < two || b < two || two >= 4)
            for (size_t i = 0; i < reads.size(); ++i) {
                artists[i] = artistFirst ? first[i] : second[i];
                titles[i] = artistFirst ? second[i] : first[i];
                if (artistFirst && !columns)
                    for (size_t n = 2; n < parts[i].size(); ++n)
                        titles[i] += " - " + parts[i][n];
            }
    } else if (columns) {
        for (size_t i = 0; i < reads.size(); ++i)
            if (reads[i]->columns.size() > 1)
                titles[i] = parts[i][0];
    }

    const bool starts = areStarts(reads);
    std::string side;
    size_t next = 0, onSide = 0;
    std::optional<FoundPlace> before;
    for (size_t i = 0; i < reads.size(); ++i) {
        bool headed = false;
        while (next < headings.size() && headings[next].first <= i) {
            const FoundHeading& h = headings[next++].second;
            const int disc = h.side.empty() ? 0 : (h.side[0] - 'A') / 2;
            // Two sides are one disc.
            const bool another =
                h.side.empty() || out.media.empty() || disc >= static_cast<int>(out.media.size());
            if (another) {
                out.media.emplace_back();
                out.media.back().title = h.title;
                out.media.back().carrier = h.carrier;
            }
            side = h.side;
            onSide = 0;
            headed = true;
        }
        const Read& r = *reads[i];
        const FoundPlace* place = shape.places && r.place ? &*r.place : nullptr;
        if (place && before && !headed) {
            const bool restarts = place->number <= 1 && before->number >= 1 && place->side.empty() &&
                                  side.empty() && place->medium == before->medium && i > 0 &&
                                  place->number < before->number;
            const auto discOf = [](const FoundPlace& p) {
                return p.side.empty() ? 0 : (p.side[0] - 'A') / 2;
            };
            if (restarts || place->medium != before->medium || discOf(*place) != discOf(*before))
                out.media.emplace_back();
        }
        if (out.media.empty())
            out.media.emplace_back();
        Track track;
        ++onSide;
        const std::string own = !place              ? std::to_string(onSide)
                                : place->number > 0 ? std::to_string(place->number)
                                                    : std::string();
        const std::string& onSideOf = place && !place->side.empty() ? place->side : side;
        track.position = onSideOf + own;
        if (!place && side.empty())
            track.position = std::to_string(out.media.back().tracks.size() + 1);
        track.title = text::clipBytes(titles[i], reference::maxText);
        if (!artists[i].empty())
            track.credit.names.push_back({artists[i]});
        if (!starts)
            track.lengthMs = r.hasLength ? r.ms : 0;
        else if (i + 1 < reads.size())
            track.lengthMs = reads[i + 1]->ms - r.ms;
        out.media.back().tracks.push_back(std::move(track));
        if (place)
            before = *place;
        else
            before.reset();
    }
    return out;
}

} // namespace moorfrost::exchange
