// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/naming/name_text.h"

#include <algorithm>
#include <regex>

#include "core/text/text.h"

namespace moorfrost::naming {

namespace {

constexpr size_t longestName = 400; // bytes: more is no name that is read with profit, and costs time

bool isDigit(char c) {
    return c >= '0' && c <= '9';
}

std::string collapsed(const std::string& text) {
    std::string out;
    for (char c : text)
        if (c != ' ' || (!out.empty() && out.back() != ' '))
            out += c;
    return text::trim(out);
}

std::string plainDashes(std::string text) {
    for (const char* dash : {"\u2010", "\u2011", "\u2012", "\u2013", "\u2014", "\u2015", "\u2212"})
        text = text::replaceAll(text, dash, "-");
    return text;
}

} // namespace

std::string readableName(const std::string& bytes, bool isFolder) {
    std::string s = text::clipBytes(text::nfc(text::escapeBytes(bytes)), longestName);
    s = plainDashes(std::move(s));
    if (!isFolder)
        for (const char* ending : {".wav", ".flac", ".mp3", ".aif", ".aiff", ".ogg", ".m4a", ".wv"})
            if (s.size() > std::string_view(ending).size() && text::lower(s).ends_with(ending))
                s.resize(s.size() - std::string_view(ending).size());
    s = text::replaceAll(s, "%20", " ");
    const auto spaces = std::ranges::count(s, ' '), lines = std::ranges::count(s, '_');
    if (lines > spaces || (lines > 0 && spaces == 0))
        std::ranges::replace(s, '_', ' ');
    else
        s = text::replaceAll(text::replaceAll(s, "_-_", " - "), "_", " - "); // it parts what has spaces
    if (s.find(' ') == std::string::npos && !isFolder) {
        // Dots between words; "01.Gorse" has one that parts the number.
        size_t dots = 0;
        for (size_t i = 1; i + 1 < s.size(); ++i)
            dots += s[i] == '.' && !isDigit(s[i - 1]) && s[i + 1] != '.';
        if (dots >= 1)
            std::ranges::replace(s, '.', ' ');
    }
    s = collapsed(s);
    static const std::regex copies(R"((\s*\(\d\)|\s*-\s*copy(\s*\(\d+\))?|\s+\(copy\)|\s+copy)$)",
                                   std::regex::icase | std::regex::optimize);
    for (size_t before = 0; !isFolder && before != s.size();) { // a copy of a copy
        before = s.size();
        s = std::regex_replace(s, copies, "");
    }
    return text::trim(s);
}

std::optional<Position> leadingPosition(const std::string& s) {
    auto number = [](const std::string& t) { return std::atoi(t.c_str()); };
    // What may stand between a position and the rest.
    auto behind = [&](size_t at) {
        while (at < s.size() &&
               (s[at] == ' ' || s[at] == '.' || s[at] == '-' || s[at] == ')' || s[at] == ']' || s[at] == ':'))
            ++at;
        return at;
    };
    const std::string head = text::clipBytes(s, 30);
    std::smatch m;
    static const auto flags = std::regex::icase | std::regex::optimize;
    static const std::regex named(R"(^(?:cd|disc|disk)\s?(\d{1,2})[\s.-]*(?:track\s?|t)?(\d{1,3})(?![\d]))",
                                  flags);
    if (std::regex_search(head, m, named))
        return Position{number(m[2]), number(m[1]), 0, behind(static_cast<size_t>(m.length(0))), true};
    static const std::regex track(R"(^(?:track|titel|piste)\s?(\d{1,3})(?![\d]))", flags);
    if (std::regex_search(head, m, track))
        return Position{number(m[1]), 0, 0, behind(static_cast<size_t>(m.length(0))), true};
    static const std::regex disc(R"(^\[?(\d{1,2})[-.](\d{2})\]?(?=[\s.\-)]))", flags);
    if (std::regex_search(head, m, disc) && number(m[1]) > 0 && number(m[1]) <= 20 && m[1].str()[0] != '0' &&
        number(m[2]) > 0)
        return Position{number(m[2]), number(m[1]), 0, behind(static_cast<size_t>(m.length(0))), true};
    static const std::regex side(R"(^\[?([A-H])-?(\d{1,2})\]?(?=[\s.\-)]))", flags);
    if (std::regex_search(head, m, side) && number(m[2]) > 0)
        return Position{number(m[2]), 0, static_cast<char>(m[1].str()[0] & ~0x20),
                        behind(static_cast<size_t>(m.length(0))), true};
    static const std::regex plain(R"(^[\[(]?(\d{1,3})(?![\d])[\])]?)", flags);
    if (std::regex_search(head, m, plain)) {
        const std::string digits = m[1];
        const auto end = static_cast<size_t>(m.length(0));
        const size_t rest = behind(end);
        if (rest >= s.size() || number(digits) == 0)
            return std::nullopt;
        const bool parted = rest > end || end > digits.size();
        if (!parted && !(digits.size() == 2 && digits[0] == '0')) // "07Gorse", but not "2nd"
            return std::nullopt;
        const bool marked = rest > end + 1 || (rest == end + 1 && s[end] != ' ') || end > digits.size();
        return Position{number(digits), 0, 0, rest, digits[0] == '0' || marked};
    }
    return std::nullopt;
}

std::optional<Position> wholePosition(const std::string& s) {
    auto p = leadingPosition(s + " x");
    return p && p->end == s.size() + 1 ? p : std::nullopt;
}

std::string yearIn(const std::string& text) {
    std::string s = text::trim(text);
    if (s.size() == 6 && ((s.front() == '(' && s.back() == ')') || (s.front() == '[' && s.back() == ']')))
        s = s.substr(1, 4);
    return s.size() == 4 && text::isDigits(s) && s >= "1900" && s < "2100" ? s : std::string();
}

std::vector<std::string> spacedParts(const std::string& s) {
    std::vector<std::string> out;
    for (const std::string& part : text::split(s, " - "))
        if (std::string t = text::trim(part); !t.empty())
            out.push_back(std::move(t));
    return out;
}

std::vector<std::string> hyphenParts(const std::string& s) {
    std::vector<std::string> out;
    for (const std::string& part : text::split(s, "-"))
        if (std::string t = text::trim(part); !t.empty())
            out.push_back(std::move(t));
    return out;
}

TitleParts withoutGuests(const std::string& text) {
    TitleParts out{text, {}};
    std::smatch m;
    static const std::regex guest(R"(\s*[\(\[]\s*(?:feat\.?|ft\.?|featuring)\s+([^\)\]]+)[\)\]])",
                                  std::regex::icase | std::regex::optimize);
    static const std::regex open(R"(\s+(?:feat\.?|ft\.|featuring)\s+([^\(\)\[\]]+)$)",
                                 std::regex::icase | std::regex::optimize);
    for (const std::regex* pattern : {&guest, &open})
        if (out.guests.empty() && std::regex_search(out.title, m, *pattern) && m.position(0) > 0) {
            for (const std::string& name : text::split(m[1].str(), ","))
                if (std::string t = text::trim(name); !t.empty())
                    out.guests.push_back(std::move(t));
            out.title = text::trim(m.prefix().str() + m.suffix().str());
        }
    return out;
}

TitleParts titleParts(const std::string& text) {
    TitleParts out = withoutGuests(text);
    // A remark in square brackets is one of the title, in round ones.
    if (out.title.ends_with(']'))
        if (const size_t at = out.title.rfind('['); at != std::string::npos && at > 0)
            out.title = text::trim(out.title.substr(0, at)) + " (" +
                        out.title.substr(at + 1, out.title.size() - at - 2) + ")";
    return out;
}

} // namespace moorfrost::naming
