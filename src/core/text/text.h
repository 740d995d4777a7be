// SPDX-License-Identifier: GPL-3.0-or-later
// Unicode text as UTF-8 std::string: checking, normal forms, folding, casing, ordering, transliteration. The
// Unicode work is ICU's. All functions are safe to call from any thread. Input that is not valid UTF-8 is
// read with U+FFFD in place of each bad byte, except where the text below says otherwise.
#pragma once

#include <string>
#include <string_view>
#include <vector>

namespace moorfrost::text {

bool isUtf8(std::string_view bytes);

/// Bytes that need not be UTF-8 as text that can be shown and turned back: each byte that is not part of
/// valid UTF-8 becomes \xHH and each backslash becomes two. Valid UTF-8 is returned as it is, unescaped; so a
/// reader must know which of the two it holds (moorfrost-cli says it by the presence of "path_bytes").
std::string escapeBytes(std::string_view bytes);
/// The bytes that escapeBytes() was given, for text that came from input that was not UTF-8.
std::string unescapeBytes(std::string_view text);
std::string hex(std::string_view bytes);
/// The way back; what is not hexadecimal is left out.
std::string fromHex(std::string_view hex);

/// Text fit to stand on one line of a screen: escaped as above, control characters as \xHH.
std::string forDisplay(std::string_view bytes);

std::string nfc(std::string_view text);

/// For searching and comparing: NFC, case folded, marks removed from Latin, Greek and Cyrillic letters only
/// (elsewhere they change the word), and the letters that Unicode does not decompose: o-slash, l-stroke,
/// ae, sharp s, d-stroke, eth, thorn.
std::string fold(std::string_view text);

std::string upper(std::string_view text);
std::string lower(std::string_view text);
std::string titleCase(std::string_view text);
std::string sentenceCase(std::string_view text);

/// "The Hollow Ferry" as "Hollow Ferry, The" (leading articles of several languages).
std::string sortForm(std::string_view text);
/// Closest ASCII spelling; what has none is left out.
std::string plainLetters(std::string_view text);

/// The first `count` characters as a person counts them (grapheme clusters).
std::string firstCharacters(std::string_view text, int count);
/// At most `maxBytes` bytes, never cutting a character in half.
std::string clipBytes(std::string_view text, size_t maxBytes);

/// Of the rules of order: "en_GB".
std::string localeName();

/// Order for people, by the default locale's rules, numbers inside text by value. <0, 0, >0.
int compare(std::string_view a, std::string_view b);

/// Bytes whose plain order is the order of compare(): for sorting many.
std::string sortKey(std::string_view text);

std::string trim(std::string_view text);
std::string join(const std::vector<std::string>& parts, std::string_view separator);
std::vector<std::string> split(std::string_view text, std::string_view separator);
std::string replaceAll(std::string_view text, std::string_view what, std::string_view with);
bool isDigits(std::string_view text);

} // namespace moorfrost::text
