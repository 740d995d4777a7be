// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/files/safe_name.h"

#include <algorithm>
#include <array>

#include "core/text/text.h"

namespace moorfrost::files {

namespace {
constexpr size_t longestName = 255; // bytes; what Linux file systems allow

/// How much of the name is one that is reserved, with or without something behind a dot; 0: it is not.
size_t reservedIn(std::string_view name) {
    static const std::array<const char*, 22> names = {
        "con",  "prn",  "aux",  "nul",  "com1", "com2", "com3", "com4", "com5", "com6", "com7",
        "com8", "com9", "lpt1", "lpt2", "lpt3", "lpt4", "lpt5", "lpt6", "lpt7", "lpt8", "lpt9"};
    const std::string_view stem = name.substr(0, name.find('.'));
    const std::string_view word =
        stem.substr(0, stem.find_last_not_of(' ') + 1); // "con .txt" is reserved, too
    if (word.size() > 4)
        return 0;
    const std::string key = text::fold(word);
    return std::find(names.begin(), names.end(), key) != names.end() ? stem.size() : 0;
}
/// Letters, digits, single signs that all profiles allow, with no space or dot at an end: most names, which
/// need no more looking at.
bool isPlain(std::string_view text) {
    if (text.empty() || text.size() > 200 || text.front() == ' ' || text.back() == ' ')
        return false;
    for (const char c : text)
        if (!((c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || (c >= '0' && c <= '9') || c == ' ' ||
              c == '-' || c == '_' || c == '\'' || c == ',' || c == '&' || c == '(' || c == ')'))
            return false;
    return reservedIn(text) == 0;
}

} // namespace

std::string profileKey(NameProfile profile) {
    return profile == NameProfile::Linux ? "linux" : profile == NameProfile::Portable ? "portable" : "ascii";
}

NameProfile profileFromKey(std::string_view key) {
    return key == "linux"   ? NameProfile::Linux
           : key == "ascii" ? NameProfile::StrictAscii
                            : NameProfile::Portable;
}

std::string safeName(std::string_view raw, NameProfile profile, std::string_view ending) {
    if (isPlain(raw) && ending.size() <= 55)
        return std::string(raw).append(ending);
    std::string name = text::nfc(text::isUtf8(raw) ? std::string(raw) : text::escapeBytes(raw));
    if (profile == NameProfile::StrictAscii)
        name = text::plainLetters(name);
    bool portable = profile != NameProfile::Linux;
    std::string out;
    for (char c : name) {
        auto u = static_cast<unsigned char>(c);
        if (u < 0x20 || u == 0x7F)
            out += ' ';
        else if (c == '/')
            out += '-';
        else if (portable && (c == '\\' || c == '|' || c == ':'))
            out += '-';
        else if (portable && (c == '"'))
            out += '\'';
        else if (portable && (c == '<' || c == '>' || c == '?' || c == '*'))
            continue;
        else
            out += c;
    }
    out = text::trim(out);
    auto trimEnd = [&] {
        while (!out.empty() && (out.back() == ' ' || (portable && ending.empty() && out.back() == '.')))
            out.pop_back();
    };
    trimEnd();
    if (const size_t reserved = portable ? reservedIn(out) : 0; reserved > 0)
        out.insert(reserved, "_");
    if (out.size() + ending.size() > longestName) {
        out = text::clipBytes(out, longestName - std::min(longestName - 1, ending.size()));
        trimEnd();
    }
    if (!out.empty() && out.front() == '.')
        out.front() = '_';
    if (out.empty())
        out = "_";
    out.append(ending);
    return out;
}

std::string nameKey(std::string_view name, NameProfile profile) {
    std::string n = text::isUtf8(name) ? text::nfc(name) : std::string(name);
    return profile == NameProfile::Linux ? n : text::fold(n);
}

} // namespace moorfrost::files
