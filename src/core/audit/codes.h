// SPDX-License-Identifier: GPL-3.0-or-later
// Whether the codes of the trade are well formed. That they were given to this recording or release is
// another question.
#pragma once

#include <string>
#include <string_view>

namespace moorfrost::audit {

/// "" if the value may be such a code, else a few words that say why not. Knows ISRC (ISO 3901: two letters,
/// three letters or digits, seven digits, hyphens allowed), ISWC (ISO 15707, with its check digit),
/// barcodes (GS1 General Specifications: EAN-13, UPC-A, EAN-8 with the check digit), ISNI (ISO 27729, check
/// character by ISO/IEC 7064 MOD 11-2) and IPI name numbers (eleven digits, the last two of which check the
/// others modulo 101); anything goes for other fields.
std::string whyNotCode(std::string_view key, std::string_view value);
/// The code in capitals, letters and digits alone: "ZZ-FSR-26-00001" gives "ZZFSR2600001".
std::string plainForm(std::string_view code);
/// True if whyNotCode() has something to say about the field.
bool hasForm(std::string_view key);

} // namespace moorfrost::audit
