// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/text/casing.h"

#include <algorithm>
#include <set>

#include <unicode/brkiter.h>
#include <unicode/locid.h>
#include <unicode/uchar.h>
#include <unicode/unistr.h>

#include "core/text/text.h"

namespace moorfrost::text {

namespace {

struct Language {
    const char* code;
    const char* name;
    const char* three; // ISO 639-2
    const char* other; // its other three-letter code, or how it calls itself
};

constexpr Language languages[] = {
    {"en", "English", "eng", "english"},
    {"de", "German", "deu", "ger"},
    {"fr", "French", "fra", "fre"},
    {"es", "Spanish", "spa", "espa\u00F1ol"},
    {"it", "Italian", "ita", "italiano"},
    {"pt", "Portuguese", "por", "portugu\u00EAs"},
    {"nl", "Dutch", "nld", "dut"},
    {"sv", "Swedish", "swe", "svenska"},
    {"nb", "Norwegian", "nob", "nor"},
    {"da", "Danish", "dan", "dansk"},
    {"fi", "Finnish", "fin", "suomi"},
    {"is", "Icelandic", "isl", "ice"},
    {"ru", "Russian", "rus", "\u0440\u0443\u0441\u0441\u043A\u0438\u0439"},
    {"pl", "Polish", "pol", "polski"},
    {"cs", "Czech", "ces", "cze"},
    {"tr", "Turkish", "tur", "t\u00FCrk\u00E7e"},
};

icu::UnicodeString wide(std::string_view text) {
    return icu::UnicodeString::fromUTF8({text.data(), static_cast<int32_t>(text.size())});
}

std::string narrow(const icu::UnicodeString& text) {
    std::string out;
    text.toUTF8String(out);
    return out;
}

icu::Locale localeOf(std::string_view code) {
    return code.empty() ? icu::Locale::getRoot() : icu::Locale(std::string(code).c_str());
}

/// Of English: they bind other words, and stay small inside a title.
bool binds(const icu::UnicodeString& word) {
    static const std::set<std::string> small = {"a",   "an",   "and",  "as", "at", "but", "by",
                                                "for", "from", "in",   "of", "on", "or",  "nor",
                                                "the", "to",   "with", "vs", "via"};
    return small.contains(narrow(word));
}

bool isRoman(const icu::UnicodeString& word) {
    static const std::set<std::string> numerals = {"II",  "III",  "IV",    "VI",   "VII", "VIII",
                                                   "IX",  "XI",   "XII",   "XIII", "XIV", "XV",
                                                   "XVI", "XVII", "XVIII", "XIX",  "XX"};
    icu::UnicodeString capitals(word);
    return word.length() > 1 && numerals.contains(narrow(capitals.toUpper(icu::Locale::getRoot())));
}

bool isCapitals(const icu::UnicodeString& word) {
    icu::UnicodeString small(word), capitals(word);
    small.toLower(icu::Locale::getRoot());
    return small != word && capitals.toUpper(icu::Locale::getRoot()) == word;
}

bool isInside(UChar32 c) {
    return u_isalnum(c) || c == '\'' || c == 0x2019 || c == '.' || u_getCombiningClass(c) != 0;
}

/// "ijs" of Dutch is "IJs".
icu::UnicodeString capital(icu::UnicodeString word, std::string_view code, const icu::Locale& locale) {
    const int32_t length = code == "nl" && word.startsWith(u"ij") ? 2 : U16_LENGTH(word.char32At(0));
    icu::UnicodeString first(word, 0, length), rest(word, length);
    return first.toUpper(locale) + rest;
}

} // namespace

std::string languageCode(std::string_view said) {
    const std::string small = lower(trim(said));
    for (const Language& l : languages)
        if (small == l.code || small == l.three || small == l.other || small == lower(l.name) ||
            small.starts_with(std::string(l.code) + "-") || small.starts_with(std::string(l.code) + "_"))
            return l.code;
    return small == "no" || small == "nn" ? "nb" : "";
}

const std::vector<CasingLanguage>& casingLanguages() {
    static const std::vector<CasingLanguage> all = [] {
        std::vector<CasingLanguage> out;
        for (const Language& l : languages)
            out.push_back({l.code, l.name});
        return out;
    }();
    return all;
}

std::string titleCase(std::string_view text, std::string_view code) {
    if (code.empty())
        return titleCase(text);
    const icu::Locale locale = localeOf(code);
    const icu::UnicodeString s = wide(text);
    const bool shouted = isCapitals(s) && s.length() > 4; // all of it: what is a short form cannot be told
    struct Word {
        int32_t from, to;
        bool begins; // a title, or a part of one
    };
    std::vector<Word> words;
    bool begins = true;
    for (int32_t i = 0; i < s.length();) {
        const UChar32 c = s.char32At(i);
        if (!isInside(c)) {
            begins = begins || c == ':' || c == '(' || c == '[' || c == '/' || c == 0x201C || c == '"' ||
                     c == '!' || c == '?';
            i += U16_LENGTH(c);
            continue;
        }
        const int32_t from = i;
        while (i < s.length() && isInside(s.char32At(i)))
            i += U16_LENGTH(s.char32At(i));
        words.push_back({from, i, begins});
        begins = false;
    }
    icu::UnicodeString out;
    int32_t at = 0;
    for (size_t n = 0; n < words.size(); ++n) {
        const Word& w = words[n];
        out.append(s, at, w.from - at);
        at = w.to;
        const icu::UnicodeString word(s, w.from, w.to - w.from);
        icu::UnicodeString small(word);
        small.toLower(locale);
        const bool last = n + 1 == words.size();
        if (isRoman(word) && (shouted || isCapitals(word)))
            out.append(icu::UnicodeString(word).toUpper(locale));
        else if (!shouted && isCapitals(word) && word.countChar32() > 1)
            out.append(word); // a short form
        else if (code == "en")
            out.append(w.begins || last || !binds(small) ? capital(small, code, locale) : small);
        else if (code == "de")
            out.append(shouted    ? capital(small, code, locale)
                       : w.begins ? capital(word, code, locale)
                                  : word);
        else
            out.append(w.begins && n == 0 ? capital(small, code, locale) : small);
    }
    out.append(s, at, s.length() - at);
    return narrow(out);
}

std::string lower(std::string_view text, std::string_view code) {
    return narrow(wide(text).toLower(localeOf(code)));
}

std::string upper(std::string_view text, std::string_view code) {
    return narrow(wide(text).toUpper(localeOf(code)));
}

} // namespace moorfrost::text
