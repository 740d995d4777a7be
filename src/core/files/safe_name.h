// SPDX-License-Identifier: GPL-3.0-or-later
// One part of a path from any text: nothing that gets in becomes a path without this.
#pragma once

#include <string>
#include <string_view>

namespace moorfrost::files {

/// What the names on a shelf must suit.
enum class NameProfile {
    Linux,       // all but "/" and control characters
    Portable,    // also what other systems and sticks reserve: < > : " / \ | ? *, CON, trailing dots ...
    StrictAscii, // portable, in plain letters
};

std::string profileKey(NameProfile profile);
NameProfile profileFromKey(std::string_view key);

/// The name of one file or folder, at most 255 bytes with `ending` (".flac") behind it, in NFC, never ".",
/// ".." or hidden, never with a separator in it. Blank text gives "_".
std::string safeName(std::string_view text, NameProfile profile, std::string_view ending = {});

/// What two names are compared by, so that names that some system takes for one are found: folded case on all
/// profiles but Linux, NFC on all.
std::string nameKey(std::string_view name, NameProfile profile);

} // namespace moorfrost::files
