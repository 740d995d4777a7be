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
/// Of a work: what sources say otherwise of its shares (Claim).
inline constexpr const char* claimsFact = "claims";

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
/// Each recording of these files that has no work yet gets one: that of its family, else the one of its title
/// and writers, else a new one, with the writers that the tags name. `made`: how many are new.
Result<ChangeOutcome> makeWorksOf(Store& store, const std::vector<FileId>& files, size_t& made);

/// What a source says otherwise than what is kept.
struct Claim {
    Side side = Side::Writers;
    std::string origin;
    int64_t when = 0;
    std::vector<Share> shares;
    bool operator==(const Claim&) const = default;
};
std::vector<Claim> claimsFrom(const std::vector<std::string>& texts);
std::vector<std::string> claimTexts(const std::vector<Claim>& claims);
/// A source tells shares: taken where nothing is known of the side, dropped where it says the same, kept
/// beside what is known where it says something else.
Result<ChangeOutcome> addClaim(Store& store, CardId work, const Claim& claim);
/// Whether they say the same: by whom, how much, where. Roles and dates may be told with more or less care.
bool sameShares(const std::vector<Share>& a, const std::vector<Share>& b);
/// A part of another change: it stands beside what is kept, in the place of what its source said before.
void keepClaim(Store& store, KeptChange& change, CardId work, const Claim& claim);
/// One is taken (`take`), or left; it is not asked again.
Result<ChangeOutcome> settleClaim(Store& store, CardId work, const Claim& claim, bool take);

} // namespace moorfrost::library
