// SPDX-License-Identifier: GPL-3.0-or-later
// Versions of a recording as names tell them: "Lanterns (Radio Edit)", "lanterns_instr",
// "LANTERNS_stem_bass". Any thread.
#pragma once

#include <string>
#include <string_view>
#include <vector>

namespace moorfrost::library {

// Kinds of versions, as they are kept.
inline constexpr const char* leadVersion = "lead";
inline constexpr const char* stemVersion = "stem";
inline constexpr const char* otherVersion = "other";
/// All but the lead, in the order in which they stand: instrumental, a cappella, edit, remix, live ...
const std::vector<std::string>& versionKinds();

struct VersionName {
    std::string core;   // folded: the name without what tells the version; "" where nothing else is left
    std::string kind;   // "" where the name tells none
    std::string detail; // of a stem the instrument, of a remix by whom, of an edit which: as written
};
/// For people: "Lead version", "Instrumental", "Radio edit", "Stem, bass"; "" where nothing is told.
std::string shownVersion(const std::string& kind, const std::string& detail);
/// Of a title, or of a name of a file without its ending.
VersionName readVersionName(std::string_view name);

} // namespace moorfrost::library
