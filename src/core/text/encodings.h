// SPDX-License-Identifier: GPL-3.0-or-later
// Text that was stored in one encoding and is told to be in another: "Ñåâåðíûé" where "Северный" was meant.
// Nothing here changes anything: it finds out and proposes.
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace moorfrost::text {

/// Names for people of the encodings that are tried: "UTF-8", "Windows-1251", "Shift-JIS" ...
std::vector<std::string> encodingNames();

/// The bytes of a text that was read as Latin-1 (or as Windows-1252, its usual stand-in). nullopt if it holds
/// anything that such a reading cannot give, or nothing but ASCII.
std::optional<std::string> latin1Bytes(std::string_view text);

/// The text read again: its Latin-1 bytes as `encoding` (a name from encodingNames()). nullopt if those bytes
/// cannot be that.
std::optional<std::string> readAgainAs(std::string_view text, std::string_view encoding);

/// Bytes in an encoding (by ICU's name) as UTF-8; nullopt unless every byte can be read.
std::optional<std::string> decode(const std::string& bytes, const char* encoding);

/// The encoding that these texts of one file were most likely in, judged together; "" where they look right
/// as they are. Texts that are plain ASCII say nothing.
std::string likelyEncoding(const std::vector<std::string>& texts);

/// Each byte as the character of that number (ISO 8859-1), and back; nullopt where a character has no such
/// number.
std::string fromLatin1(std::string_view bytes);
std::optional<std::string> toLatin1(std::string_view text);

/// UTF-16 in the given order of bytes; half of a pair becomes U+FFFD, an odd last byte is left out.
std::string fromUtf16(std::string_view bytes, bool bigEndian);
/// Little-endian, without a mark in front.
std::string toUtf16(std::string_view text);

} // namespace moorfrost::text
