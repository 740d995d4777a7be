// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/exchange/track_list_line.h"

#include <algorithm>
#include <array>
#include <cstdlib>

#include "core/exchange/track_length_text.h"
#include "core/text/text.h"

namespace moorfrost::exchange {

std::string plainLine(std::string_view line) {
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

std::string withoutEnds(std::string_view text) {
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

std::string cleanTitle(std::string_view text) {
    std::string out = withoutEnds(text);
    size_t dots = 0;
    while (dots < out.size() && (out[out.size() - 1 - dots] == '.' || out[out.size() - 1 - dots] == ' '))
        ++dots;
    if (std::count(out.end() - static_cast<std::ptrdiff_t>(dots), out.end(), '.') > 3)
        out = withoutEnds(out.substr(0, out.size() - dots));
    for (const auto& [open, close] : {std::pair<std::string_view, std::string_view>("\"", "\""),
                                      {"\u201C", "\u201D"},
                                      {"\u201E", "\u201C"},
                                      {"\u00AB", "\u00BB"},
                                      {"\u300C", "\u300D"}})
        if (out.size() > open.size() + close.size() && out.starts_with(open) && out.ends_with(close) &&
            out.find(close, open.size()) == out.size() - close.size())
            return withoutEnds(out.substr(open.size(), out.size() - open.size() - close.size()));
    return out;
}

namespace {

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
        if (!readDigits(s, at, 4, number))
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
            if (!readDigits(s, at, 2, number))
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
    const std::string clean = withoutEnds(line);
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
        const std::string tail = withoutEnds(rest);
        if (!tail.empty()) {
            const char next = rest.front();
            if (next != ':' && next != '(' && next != '[' && !rest.starts_with(" -") &&
                !rest.starts_with(" \u2013") && !rest.starts_with(" (") && !rest.starts_with(" ["))
                continue;
            out.title = tail;
            if (out.title.size() > 2 && (out.title.front() == '(' || out.title.front() == '['))
                out.title = withoutEnds(out.title.substr(1, out.title.size() - 2));
        }
        return out;
    }
    return std::nullopt;
}

bool isTalk(std::string_view line) {
    const std::string low = text::lower(withoutEnds(line));
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
            const std::string rest = withoutEnds(std::string_view(low).substr(end));
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

} // namespace

TrackLine readTrackLine(const std::string& line, size_t number) {
    TrackLine out;
    out.line = number;
    std::string s = plainLine(line);
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
            out.lengthFirst = withoutEnds(rest.substr(0, found->begin)).empty() && found->end < rest.size();
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
                if (withoutEnds(column.substr(std::min(place->end, column.size()))).empty()) {
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
            withoutEnds(column.substr(0, found->begin) + column.substr(found->end)).empty()) {
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

} // namespace moorfrost::exchange
