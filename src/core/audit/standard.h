// SPDX-License-Identifier: GPL-3.0-or-later
// Standards: the user's own rules of what a ready release has. They are kept as JSON
// (docs/standards.md).
#pragma once

#include <string>
#include <utility>
#include <vector>

#include "core/base/result.h"

namespace moorfrost::audit {

enum class RuleKind {
    Fields,  // of `fields`: each file has a value (`required`), all files of the release the same (`same`)
    Numbers, // the track numbers of each disc are 1, 2, 3 ... without a gap, none twice; the discs likewise
    Picture, // every file has a picture, with the shorter side of at least `side` pixels
    Codes,   // each of `fields` is there and well formed (audit/codes); an ISRC is in one file only
    Works,   // the songs that the files are recordings of stand so: `fields` are of workAsks()
    Names,   // path and name are, or will be, as `plan` says
};

struct Rule {
    RuleKind kind = RuleKind::Fields;
    std::vector<std::string> fields = {}; // keys; of Works of workAsks()
    bool required = true, same = false;   // Fields: at least one of them
    int side = 0;                         // Picture: pixels; 0: any
    bool front = false;                   // Picture: only the front cover counts
    std::string plan = {};                // Names: naming/plan
    bool operator==(const Rule&) const = default;
};

struct Standard {
    std::string name;
    std::vector<Rule> rules; // in the order of the tally
    bool operator==(const Standard&) const = default;
};

/// What can be asked of songs: "shares" that add up, "numbers" of all writers, "agreement", "contact"; each
/// with a few words for people.
const std::vector<std::pair<std::string, std::string>>& workAsks();

/// A few words for people: "Title, Artist", "Album, the same in all files", "Picture of 500 pixels".
std::string ruleText(const Rule& rule);
/// "" if it can be used, else a sentence that says what is wrong with it.
std::string whyNotUsable(const Rule& rule);

/// Those that come with the application; the first is used until another is chosen.
const std::vector<Standard>& shippedStandards();

std::string toJson(const std::vector<Standard>& standards);
/// The error says what was not understood. At least one standard, each with a name of its own.
Result<std::vector<Standard>> standardsFromJson(const std::string& json);

} // namespace moorfrost::audit
