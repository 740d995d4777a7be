// SPDX-License-Identifier: GPL-3.0-or-later
// What goes into tags of what the library keeps of recordings: one table of rules, which fact becomes which
// field. Mirroring makes drafts, it writes nothing. Values in, values out.
#pragma once

#include <string>
#include <vector>

#include "core/library/judging.h"
#include "core/tags/fields.h"

namespace moorfrost::library {

struct MirrorRule {
    std::string kept;  // a field of what is kept: rating, note, "playout number", use, kind
    std::string field; // of tags
    bool operator==(const MirrorRule&) const = default;
};

/// What can be mirrored, in the order in which it is shown.
const std::vector<std::string>& mirrorable();
/// As they are kept in the settings: "rating=rating". What makes no sense is left out.
std::vector<MirrorRule> mirrorRulesFrom(const std::vector<std::string>& texts);
std::vector<std::string> mirrorTexts(const std::vector<MirrorRule>& rules);

/// What the fields are to be by these rules. A fact that is not kept blanks nothing: such a field is left
/// out.
tags::Fields mirrored(const std::vector<MirrorRule>& rules, const KeptOfRecording& kept);

} // namespace moorfrost::library
