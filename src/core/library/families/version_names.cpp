// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/families/version_names.h"

#include <algorithm>
#include <map>
#include <optional>
#include <set>

#include "core/text/text.h"

namespace moorfrost::library {

namespace {

/// Words that tell a kind, folded, as they may stand: one or several in a row.
const std::map<std::string, std::string, std::less<>>& phrases() {
    static const std::map<std::string, std::string, std::less<>> all = {
        {"instrumental", "instrumental"},
        {"instrumental version", "instrumental"},
        {"instrumental mix", "instrumental"},
        {"instr", "instrumental"},
        {"inst", "instrumental"},
        {"no vocals", "instrumental"},
        {"no vox", "instrumental"},
        {"backing track", "instrumental"},
        {"karaoke", "instrumental"},
        {"karaoke version", "instrumental"},
        {"a cappella", "a cappella"},
        {"a capella", "a cappella"},
        {"acapella", "a cappella"},
        {"acappella", "a cappella"},
        {"accapella", "a cappella"},
        {"acap", "a cappella"},
        {"vocals only", "a cappella"},
        {"vocal only", "a cappella"},
        {"voice only", "a cappella"},
        {"vox only", "a cappella"},
        {"radio", "edit"},
        {"radio edit", "edit"},
        {"radio version", "edit"},
        {"radio mix", "edit"},
        {"single edit", "edit"},
        {"single version", "edit"},
        {"short edit", "edit"},
        {"short version", "edit"},
        {"video edit", "edit"},
        {"edit", "edit"},
        {"edited version", "edit"},
        {"remix", "remix"},
        {"rmx", "remix"},
        {"live", "live"},
        {"live version", "live"},
        {"demo", "demo"},
        {"demo version", "demo"},
        {"rough", "demo"},
        {"rough mix", "demo"},
        {"remaster", "remaster"},
        {"remastered", "remaster"},
        {"remastered version", "remaster"},
        {"mono mix", "mix"},
        {"stereo mix", "mix"},
        {"extended mix", "mix"},
        {"club mix", "mix"},
        {"original mix", "mix"},
        {"dub mix", "mix"},
        {"mono", "mix"},
        {"mono version", "mix"},
        {"dub", "mix"},
        {"extended", "mix"},
        {"extended version", "mix"},
        {"clean", "clean"},
        {"clean version", "clean"},
        {"clean edit", "clean"},
        {"acoustic", "other"},
        {"acoustic version", "other"},
        {"alternate take", "other"},
        {"alternative version", "other"},
        {"alternate version", "other"},
        {"alt take", "other"},
        {"outtake", "other"},
        {"excerpt", "excerpt"},
    };
    return all;
}

const std::set<std::string, std::less<>>& instruments() {
    static const std::set<std::string, std::less<>> all = {
        "drums",      "drum",  "bass",   "keys",      "piano", "guitar", "guitars", "gtr",
        "vocals",     "vocal", "vox",    "strings",   "synth", "synths", "brass",   "fiddle",
        "percussion", "perc",  "organ",  "pad",       "pads",  "lead",   "choir",   "fx",
        "horns",      "cello", "violin", "accordion", "flute", "other"};
    return all;
}

struct Word {
    std::string folded, written;
};

/// Words with what parts them left out; underscores part as blanks do.
std::vector<Word> wordsOf(std::string_view text) {
    std::vector<Word> out;
    std::string word;
    auto flush = [&] {
        if (!word.empty())
            out.push_back({text::fold(word), std::move(word)});
        word.clear();
    };
    for (const char c : text) {
        const auto u = static_cast<unsigned char>(c);
        const bool part = u >= 0x80 || (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') ||
                          (c >= '0' && c <= '9') || c == '\'' || c == '&';
        if (part)
            word += c;
        else
            flush();
    }
    flush();
    return out;
}

std::string joined(const std::vector<Word>& words, size_t from, size_t to, bool written) {
    std::string out;
    for (size_t i = from; i < to; ++i)
        out += (out.empty() ? "" : " ") + (written ? words[i].written : words[i].folded);
    return out;
}

struct Told {
    std::string kind, detail;
};

bool isYear(std::string_view word) {
    return word.size() == 4 && text::isDigits(word) && (word.starts_with("19") || word.starts_with("20"));
}

/// What words, taken together, tell; nullopt where they are a part of the name.
std::optional<Told> toldBy(const std::vector<Word>& words, size_t from, size_t to) {
    if (from >= to)
        return std::nullopt;
    const std::string all = joined(words, from, to, false);
    const std::string& first = words[from].folded;
    const std::string& last = words[to - 1].folded;
    const auto& known = phrases();
    if (const auto it = known.find(all); it != known.end())
        return Told{it->second, it->second == "edit" || it->second == "mix" || it->second == "other" ||
                                        it->second == "clean"
                                    ? joined(words, from, to, true)
                                    : std::string()};
    if (first == "stem" || first == "stems")
        return Told{stemVersion, joined(words, from + 1, to, true)};
    if (last == "stem" || last == "stems")
        return Told{stemVersion, joined(words, from, to - 1, true)};
    // With a year, or with what it is told of more nearly: "2011 remaster", "live at Tarnholm Hall".
    if (isYear(first))
        if (auto rest = toldBy(words, from + 1, to)) {
            rest->detail = joined(words, from, to, true);
            return rest;
        }
    if (isYear(last))
        if (auto rest = toldBy(words, from, to - 1)) {
            rest->detail = joined(words, from, to, true);
            return rest;
        }
    if (first == "live" && (words[from + 1].folded == "at" || words[from + 1].folded == "in" ||
                            words[from + 1].folded == "from" || words[from + 1].folded == "on"))
        return Told{"live", joined(words, from + 1, to, true)};
    for (const char* kind : {"remix", "rmx", "mix", "edit", "version", "demo", "bootleg"})
        if (last == kind && to - from <= 5) {
            const std::string what = kind == std::string("rmx") || kind == std::string("bootleg") ? "remix"
                                     : kind == std::string("version")                             ? "other"
                                                                                                  : kind;
            return Told{what, joined(words, from, what == "remix" ? to - 1 : to, true)};
        }
    return std::nullopt;
}

} // namespace

const std::vector<std::string>& versionKinds() {
    static const std::vector<std::string> all = {"instrumental", "a cappella", "edit",       "remix",
                                                 "live",         "demo",       "remaster",   "mix",
                                                 "clean",        "excerpt",    otherVersion, stemVersion};
    return all;
}

VersionName readVersionName(std::string_view name) {
    VersionName out;
    std::string rest = text::trim(name);
    // In brackets at the end, one behind the other: the last that tells a kind is the one; all of them go.
    for (int n = 0; n < 4; ++n) {
        if (rest.empty() || (rest.back() != ')' && rest.back() != ']'))
            break;
        const size_t open = rest.rfind(rest.back() == ')' ? '(' : '[');
        if (open == std::string::npos || open == 0)
            break;
        const auto words = wordsOf(std::string_view(rest).substr(open + 1, rest.size() - open - 2));
        const auto told = toldBy(words, 0, words.size());
        if (!told)
            break;
        if (out.kind.empty() || out.kind == otherVersion || out.kind == "remaster") {
            out.kind = told->kind;
            out.detail = told->detail;
        }
        rest = text::trim(rest.substr(0, open));
    }
    // Behind a dash.
    if (out.kind.empty())
        for (const char* dash : {" - ", " \u2013 ", " \u2014 "})
            if (const size_t at = rest.rfind(dash); at != std::string::npos && at > 0) {
                const auto words = wordsOf(std::string_view(rest).substr(at + std::string_view(dash).size()));
                if (const auto told = toldBy(words, 0, words.size())) {
                    out.kind = told->kind;
                    out.detail = told->detail;
                    rest = text::trim(rest.substr(0, at));
                    break;
                }
            }
    // As names of files have it: the last words.
    auto words = wordsOf(rest);
    const bool fileLike = rest.find('_') != std::string::npos || text::lower(rest) == rest;
    if (out.kind.empty() && words.size() > 1) {
        for (size_t i = 1; i < words.size() && out.kind.empty(); ++i) {
            const std::string& word = words[i].folded;
            if ((word == "stem" || word == "stems") && i + 1 < words.size() && words.size() - i <= 4 &&
                (fileLike || instruments().contains(words[i + 1].folded))) {
                out.kind = stemVersion;
                out.detail = joined(words, i + 1, words.size(), true);
                words.resize(i);
            }
        }
        for (size_t count = std::min<size_t>(3, words.size() - 1); count > 0 && out.kind.empty(); --count) {
            const std::string tail = joined(words, words.size() - count, words.size(), false);
            const auto it = phrases().find(tail);
            if (it == phrases().end())
                continue;
            // One plain word at the end of a title is mostly a part of it: "I Was Live", "The Clean". Words
            // that are used for nothing else count, and all of them in names of files.
            static const std::set<std::string, std::less<>> always = {
                "instrumental", "instr",        "acapella",     "acappella",     "accapella",  "acap",
                "vox only",     "vocals only",  "a cappella",   "a capella",     "radio edit", "rmx",
                "no vocals",    "no vox",       "karaoke",      "backing track", "voice only", "vocal only",
                "rough mix",    "extended mix", "demo version", "live version"};
            if (!fileLike && !always.contains(tail))
                continue;
            out.kind = it->second;
            if (out.kind == "edit" || out.kind == "mix" || out.kind == otherVersion)
                out.detail = joined(words, words.size() - count, words.size(), true);
            words.resize(words.size() - count);
        }
    }
    // "mix7_FINAL2", "moor song v3": which bounce it was.
    auto isBounce = [](const std::string& word) {
        auto numbered = [&](std::string_view what) {
            return word.starts_with(what) &&
                   (word.size() == what.size() || text::isDigits(word.substr(what.size())));
        };
        return numbered("final") || (word.size() > 1 && numbered("v")) || word == "master" ||
               word == "bounce" || word == "mixdown";
    };
    while (fileLike && words.size() > 1 && isBounce(words.back().folded))
        words.pop_back();
    out.core = joined(words, 0, words.size(), false);
    if (out.core.empty()) { // "Live", "Demo" are names, too
        out.core = joined(wordsOf(name), 0, wordsOf(name).size(), false);
        out.kind.clear();
        out.detail.clear();
    }
    return out;
}

std::string shownVersion(const std::string& kind, const std::string& detail) {
    if (kind.empty())
        return {};
    if (kind == leadVersion)
        return "Lead version";
    // "Radio edit" says already that it is an edit.
    const bool says = text::fold(detail).find(text::fold(kind)) != std::string::npos;
    if (!detail.empty() && (says || kind == otherVersion)) {
        const std::string first = text::firstCharacters(detail, 1); // names in it keep their capitals
        return text::upper(first) + detail.substr(first.size());
    }
    const std::string name = text::sentenceCase(kind);
    return detail.empty() ? name : name + ", " + detail;
}

} // namespace moorfrost::library
