// SPDX-License-Identifier: GPL-3.0-or-later
// Who has which part of a work, or of the master of a recording: shares, their sums, and what they leave
// open. All sums are exact. Any thread.
#pragma once

#include <array>
#include <functional>

#include "core/library/people/cards.h"
#include "core/library/people/fraction.h"

namespace moorfrost::library {

enum class Side { Writers, Publishers, Owners };
inline constexpr std::array allSides = {Side::Writers, Side::Publishers, Side::Owners};
/// The fact of a work (of a recording: the value) that they are kept as.
const char* sideKey(Side side);
/// Roles as they are kept, in the order in which they are offered.
const std::vector<std::string>& rolesOf(Side side);

struct Share {
    CardId party = 0;      // 0: by its name only; of a publisher without name: held by the writer
    std::string name = {}; // where no party was chosen
    std::vector<std::string> roles = {};
    std::optional<Fraction> part = {}; // none: not known yet
    std::vector<CardId> forWhom = {};  // of a publisher: writers whom it administers
    std::string territory = {};        // ISO 3166; "": the world
    std::string from = {};             // a date, may be partial; "": ever since
    bool operator==(const Share&) const = default;
};
std::string shareText(const Share& share);
Share shareFrom(const std::string& text);
std::vector<Share> sharesFrom(const std::vector<std::string>& texts);
std::vector<std::string> shareTexts(const std::vector<Share>& shares);

inline constexpr size_t mostShares = 500;
/// A sentence where they cannot be kept, "" where they can.
std::string whyNotShares(Side side, const std::vector<Share>& shares);

/// What the shares of a side add up to, where they hold.
struct SideSum {
    std::string territory; // "" for the world
    Fraction sum;
    size_t unknown = 0; // shares without a part
    /// All of it, and nothing unknown.
    bool isWhole() const;
    /// More than all of it.
    bool isTooMuch() const;
};
/// For the world, and for each territory that is named: what holds there is what is said for it, and for the
/// rest of the parties what is said for the world. `on`: at this date ("": today's, all that have begun).
std::vector<SideSum> sumsOf(const std::vector<Share>& shares, const std::string& on);

/// Those that count in these sums: what has begun, and nothing else of the same party has taken its place.
std::vector<Share> sharesThatHold(const std::vector<Share>& shares, const std::string& on);

/// In plain words: "Adds up exactly.", "10 % is open: no one is named for it.", "15 % too much: they add up
/// to 115 %.", "The part of 2 is not known."
std::string sumSentence(const SideSum& sum, size_t shares);

/// Whom a share names: the party by `nameOf`, else the name as it was said.
std::string shownParty(const Share& share, const std::function<std::string(CardId)>& nameOf);

} // namespace moorfrost::library
