// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/people/claims.h"

#include <algorithm>
#include <ctime>
#include <set>

#include <fmt/format.h>
#include <nlohmann/json.hpp>

#include "core/library/people/card_parts.h"
#include "core/text/text.h"

namespace moorfrost::library {

using nlohmann::json;
using Strings = std::vector<std::string>;
using namespace cards;

std::vector<Claim> claimsFrom(const Strings& texts) {
    std::vector<Claim> out;
    for (const std::string& text : texts) {
        const json all = json::parse(text, nullptr, false);
        if (!all.is_object())
            continue;
        Claim& claim = out.emplace_back();
        claim.side = all.value("side", 0) == 1 ? Side::Publishers : Side::Writers;
        claim.origin = all.value("origin", std::string());
        claim.when = all.value("when", int64_t{0});
        for (const json& one : all.value("shares", json::array()))
            if (one.is_string())
                claim.shares.push_back(shareFrom(one.get<std::string>()));
    }
    return out;
}

Strings claimTexts(const std::vector<Claim>& claims) {
    Strings out;
    for (const Claim& c : claims)
        out.push_back(json({{"side", c.side == Side::Publishers ? 1 : 0},
                            {"origin", c.origin},
                            {"when", c.when},
                            {"shares", shareTexts(c.shares)}})
                          .dump(-1, ' ', false, json::error_handler_t::replace));
    return out;
}

namespace {

void setClaims(KeptChange& change, CardId work, const std::vector<Claim>& claims, const std::string& origin) {
    change.setCardFact(work, claimsFact,
                       claims.empty() ? std::nullopt : std::optional(factOf(claimTexts(claims), origin)));
}

} // namespace

bool sameShares(const std::vector<Share>& a, const std::vector<Share>& b) {
    auto plain = [](const std::vector<Share>& shares) {
        std::multiset<std::string> out;
        for (const Share& s : shares)
            out.insert((s.party != 0 ? std::to_string(s.party) : text::fold(s.name)) + " " +
                       (s.part ? s.part->text() : "?") + " " + s.territory);
        return out;
    };
    return plain(a) == plain(b);
}

void keepClaim(Store& store, KeptChange& change, CardId work, const Claim& claim) {
    const auto fact = store.cards().fact(work, claimsFact);
    std::vector<Claim> claims = fact ? claimsFrom(fact->values) : std::vector<Claim>();
    std::erase_if(claims, [&](const Claim& c) { return c.side == claim.side && c.origin == claim.origin; });
    claims.push_back(claim);
    if (claims.back().when == 0)
        claims.back().when = std::time(nullptr);
    setClaims(change, work, claims, claim.origin);
}

Result<ChangeOutcome> addClaim(Store& store, CardId work, const Claim& claim) {
    if (!store.cards().has(work, CardKind::Work))
        return gone();
    if (std::string why = whyNotShares(claim.side, claim.shares); !why.empty())
        return invalid(std::move(why));
    KeptChange change(store);
    const auto kept = store.cards().fact(work, sideKey(claim.side));
    const std::string title = fmt::format("{}: shares of {}", claim.origin, nameOf(store, work));
    if (!kept) {
        change.setCardFact(work, sideKey(claim.side), factOf(shareTexts(claim.shares), claim.origin));
        return change.commit(title);
    }
    if (!sameShares(sharesFrom(kept->values), claim.shares))
        keepClaim(store, change, work, claim);
    return change.commit(title);
}

Result<ChangeOutcome> settleClaim(Store& store, CardId work, const Claim& claim, bool take) {
    const auto fact = store.cards().fact(work, claimsFact);
    std::vector<Claim> claims = fact ? claimsFrom(fact->values) : std::vector<Claim>();
    if (std::erase(claims, claim) == 0)
        return invalid("This was settled already.");
    KeptChange change(store);
    if (take)
        change.setCardFact(work, sideKey(claim.side), factOf(shareTexts(claim.shares), claim.origin));
    setClaims(change, work, claims, typedOrigin);
    const std::string name = nameOf(store, work);
    return change.commit(take ? fmt::format("Shares of {} as {} has them", name, claim.origin)
                              : fmt::format("Shares of {} stay, whatever {} says", name, claim.origin));
}

} // namespace moorfrost::library
