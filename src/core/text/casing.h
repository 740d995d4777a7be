// SPDX-License-Identifier: GPL-3.0-or-later
// Capitals in titles, as the languages have them. Any thread.
#pragma once

#include <string>
#include <string_view>
#include <vector>

namespace moorfrost::text {

/// The two-letter code of a language (ISO 639-1) from what a tag says: "eng", "en", "English". "" if it is
/// none that has rules here.
std::string languageCode(std::string_view said);

struct CasingLanguage {
    const char* code; // ISO 639-1
    const char* name; // in English
};
/// Those that have rules, English first.
const std::vector<CasingLanguage>& casingLanguages();

/// A title as it is written in a language. English: every word but the short ones that bind others; German:
/// as it stands, with a capital at the beginning, because only the writer knows what is a noun; others: like
/// a sentence. Roman numerals, and words of capitals in a text that is not all capitals (EP), stay. `code`
/// "": every word, whatever it is.
std::string titleCase(std::string_view text, std::string_view code);
/// Small and capital letters by the rules of the language: the dotless i of Turkish.
std::string lower(std::string_view text, std::string_view code);
std::string upper(std::string_view text, std::string_view code);

} // namespace moorfrost::text
