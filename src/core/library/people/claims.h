// SPDX-License-Identifier: GPL-3.0-or-later
// Sources that say otherwise who has which part of a work: kept beside what is known, until one is taken. On
// the thread of the store.
#pragma once

#include "core/library/people/card_changes.h"

namespace moorfrost::library {

/// The fact of a work that they are kept as.
inline constexpr const char* claimsFact = "claims";

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
