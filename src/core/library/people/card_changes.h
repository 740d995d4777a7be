// SPDX-License-Identifier: GPL-3.0-or-later
// Changing what is kept of parties, works and agreements, and of who has which part of what. Each change is
// journalled and can be taken back (kept_change). On the thread of the store; an Error (Invalid) says what
// makes no sense, and then nothing was changed.
#pragma once

#include "core/library/kept_change.h"
#include "core/library/people/share.h"

namespace moorfrost::library {

/// The value of a recording that names its works, by their numbers; and the one that says who owns it.
inline constexpr const char* workField = "work";
inline constexpr const char* masterField = "master";

using CardValues = std::map<std::string, std::vector<std::string>>;

/// A new one; it needs a name or a title. Its number comes back.
Result<CardId> makeCard(Store& store, CardKind kind, const CardValues& facts, ChangeOutcome& outcome,
                        const std::string& origin = typedOrigin);
/// Several in one change, in this order.
Result<std::vector<CardId>> makeCards(Store& store, CardKind kind, const std::vector<CardValues>& cards,
                                      ChangeOutcome& outcome, const std::string& origin = typedOrigin);
/// None: it is not known, or (`none`) known to be none.
Result<ChangeOutcome> setCardFact(Store& store, CardId card, const std::string& key,
                                  const std::vector<std::string>& values, bool none = false,
                                  const std::string& origin = typedOrigin);
/// From now on the party that is called `name` is found by `other`, too. Those that are known already, and
/// names that no party has, or several, are left out; `outcome` is of nothing where that leaves none.
struct OtherSpelling {
    std::string name, other;
};
Result<ChangeOutcome> rememberSpellings(Store& store, const std::vector<OtherSpelling>& spellings);
/// Nothing is kept of it any more. An Error (Invalid) where others still name it: it says how many.
Result<ChangeOutcome> removeCard(Store& store, CardId card);
/// The others are the first one, too: shares, works and agreements that name them name that one; how they are
/// spelled it is found by; what it does not tell of itself they tell.
Result<ChangeOutcome> mergeParties(Store& store, CardId into, const std::vector<CardId>& others);

/// Of these works, the same; who is named without being known is entered as a party. `title`: what the
/// journal says.
Result<ChangeOutcome> setShares(Store& store, const std::vector<CardId>& works, Side side,
                                const std::vector<Share>& shares, const std::string& title,
                                const std::string& origin = typedOrigin);
/// Who owns the master of the recordings of these files.
Result<ChangeOutcome> setOwners(Store& store, const std::vector<FileId>& files,
                                const std::vector<Share>& owners, const std::string& title);
/// Of which works the recordings of these files are.
Result<ChangeOutcome> setWorks(Store& store, const std::vector<FileId>& files,
                               const std::vector<CardId>& works, const std::string& title);

} // namespace moorfrost::library
