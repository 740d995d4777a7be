// SPDX-License-Identifier: GPL-3.0-or-later
// How far the files of a release meet a standard: the parts of the tally, one for each rule, in its order.
#pragma once

#include <cstdint>
#include <map>
#include <optional>
#include <string>
#include <vector>

#include "core/audit/standard.h"
#include "core/files/safe_name.h"
#include "core/tags/tag_file.h"

namespace moorfrost::audit {

enum class Met {
    Yes,
    Partly,
    No,
    NotAsked, // the rule is not for these: a release's rule for strays, a rule for music where there is none
};

struct ReadinessPart {
    RuleKind rule = RuleKind::Fields;
    std::string name; // ruleText()
    Met met = Met::No;
    std::string detail;           // a sentence: "2 of 4 files have no ISRC"
    std::vector<int64_t> lacking; // the files it is about
};

/// How the songs stand that a file is a recording of.
struct SongStanding {
    bool hasWork = false; // else nothing of the rest is so
    bool sharesAddUp = false, hasNumbers = false, hasAgreement = false, hasContact = false;
};

/// A file of the release. What is referred to must outlive the call.
struct CheckedFile {
    int64_t id = 0;
    tags::Fields fields; // as they will be
    const std::vector<tags::PictureInfo>& pictures;
    audio::Format format;
    Path path;                                     // where it will be
    std::map<std::string, std::string> facts = {}; // placing::factsOf; only for a rule about names
    bool music = true;                             // idents, tones ... are not asked about their artist
    std::optional<SongStanding> song = {};         // not told: not asked
};

struct Readiness {
    std::vector<ReadinessPart> parts;

    /// Files that lack something, once for each rule: for the rules of these kinds.
    size_t gaps(std::initializer_list<RuleKind> kinds) const;
    /// 0 to 1; what is partly met counts half.
    double share() const;
};

/// `strays`: they are not believed to be one release. `profile`: what names on shelves must suit.
Readiness readinessOf(const Standard& standard, const std::vector<CheckedFile>& files, bool strays = false,
                      files::NameProfile profile = files::NameProfile::Portable);
/// Whether readinessOf() needs their facts.
bool asksForNames(const Standard& standard);
/// Whether it needs to be told how their songs stand.
bool asksForWorks(const Standard& standard);

} // namespace moorfrost::audit
