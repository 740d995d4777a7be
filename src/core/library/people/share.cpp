// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/people/share.h"

#include <algorithm>
#include <cstdlib>
#include <ctime>
#include <map>
#include <set>

#include <fmt/format.h>

#include "core/tags/fields.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

using Texts = std::vector<std::string>;

constexpr char listBreak = '\x1e'; // between roles, between parties
constexpr size_t longestName = 1000;

std::string joined(const Texts& list) {
    return fmt::format("{}", fmt::join(list, std::string(1, listBreak)));
}

Texts listFrom(const std::string& text) {
    Texts out;
    for (std::string& one : text::split(text, std::string(1, listBreak)))
        if (!one.empty())
            out.push_back(std::move(one));
    return out;
}

std::string today() {
    const std::time_t now = std::time(nullptr);
    std::tm day{};
    localtime_r(&now, &day);
    return fmt::format("{:04}-{:02}-{:02}", day.tm_year + 1900, day.tm_mon + 1, day.tm_mday);
}

/// Who somebody is, whatever is known of them.
std::string whoIs(const Share& s) {
    std::string who = s.party != 0 ? "#" + std::to_string(s.party) : text::fold(s.name);
    if (who.empty()) // what writers hold themselves
        for (const CardId id : s.forWhom)
            who += "/" + std::to_string(id);
    return who;
}

} // namespace

const char* sideKey(Side side) {
    return side == Side::Writers ? "writers" : side == Side::Publishers ? "publishers" : "master";
}

const std::vector<std::string>& rolesOf(Side side) {
    static const Texts writers = {"author", "composer", "arranger", "translator", "adapter"},
                       publishers = {"original publisher", "sub-publisher", "administrator"},
                       owners = {"owner", "licensee"};
    return side == Side::Writers ? writers : side == Side::Publishers ? publishers : owners;
}

std::string shareText(const Share& s) {
    Texts whom;
    for (const CardId id : s.forWhom)
        whom.push_back(std::to_string(id));
    const Texts parts = {std::to_string(s.party),
                         s.name,
                         joined(s.roles),
                         s.part ? s.part->text() : "",
                         joined(whom),
                         s.territory,
                         s.from};
    return fmt::format("{}", fmt::join(parts, std::string(1, cardBreak)));
}

Share shareFrom(const std::string& text) {
    Texts parts = text::split(text, std::string(1, cardBreak));
    parts.resize(7);
    Share out;
    out.party = std::strtoll(parts[0].c_str(), nullptr, 10);
    out.name = parts[1];
    out.roles = listFrom(parts[2]);
    out.part = parts[3].empty() ? std::nullopt : Fraction::fromText(parts[3]);
    for (const std::string& one : listFrom(parts[4]))
        out.forWhom.push_back(std::strtoll(one.c_str(), nullptr, 10));
    out.territory = parts[5];
    out.from = parts[6];
    return out;
}

std::vector<Share> sharesFrom(const Texts& texts) {
    std::vector<Share> out;
    for (const std::string& one : texts)
        out.push_back(shareFrom(one));
    return out;
}

Texts shareTexts(const std::vector<Share>& shares) {
    Texts out;
    for (const Share& s : shares)
        out.push_back(shareText(s));
    return out;
}

std::string whyNotShares(Side side, const std::vector<Share>& shares) {
    if (shares.size() > mostShares)
        return fmt::format("At most {} shares a side.", mostShares);
    const Fraction all(1, 1);
    for (const Share& s : shares) {
        auto isLine = [](const std::string& text, size_t most) {
            return text.size() <= most && text::isUtf8(text) &&
                   std::ranges::none_of(text, [](char c) { return static_cast<unsigned char>(c) < 0x20; });
        };
        if (!isLine(s.name, longestName) ||
            !std::ranges::all_of(s.roles, [&](const std::string& r) { return isLine(r, longestName); }))
            return "A name and a role are one line of text.";
        if (s.party == 0 && text::trim(s.name).empty() && side != Side::Publishers)
            return "A share belongs to somebody: it needs a name.";
        if (s.part && (s.part->isZero() || all < *s.part))
            return fmt::format("A share is more than nothing and at most all of it, not {}.",
                               s.part->percent());
        if (!s.from.empty())
            if (const std::string why = tags::whyNotValid("date", {s.from}); !why.empty())
                return fmt::format("\"{}\" is no date: {}.", s.from, why);
        const bool isTerritory =
            s.territory.empty() || (s.territory.size() == 2 && std::ranges::all_of(s.territory, [](char c) {
                                        return c >= 'A' && c <= 'Z';
                                    }));
        if (!isTerritory)
            return fmt::format("\"{}\" is no territory: two letters, such as NO, or nothing for the world.",
                               text::clipBytes(s.territory, 20));
    }
    return {};
}

bool SideSum::isWhole() const {
    return unknown == 0 && sum == Fraction(1, 1);
}

bool SideSum::isTooMuch() const {
    return Fraction(1, 1) < sum;
}

std::vector<Share> sharesThatHold(const std::vector<Share>& shares, const std::string& on) {
    const std::string day = on.empty() ? today() : on;
    // Of each party and territory what began last counts; several shares that began together count all.
    std::map<std::pair<std::string, std::string>, std::string> latest;
    for (const Share& s : shares)
        if (s.from <= day) {
            auto& from = latest[{whoIs(s), s.territory}];
            from = std::max(from, s.from);
        }
    std::vector<Share> out;
    for (const Share& s : shares)
        if (s.from <= day && s.from == latest[{whoIs(s), s.territory}])
            out.push_back(s);
    return out;
}

std::vector<SideSum> sumsOf(const std::vector<Share>& shares, const std::string& on) {
    const std::vector<Share> held = sharesThatHold(shares, on);
    std::set<std::pair<std::string, std::string>> named; // who, where
    std::set<std::string> territories{""};
    for (const Share& s : held) {
        named.insert({whoIs(s), s.territory});
        territories.insert(s.territory);
    }
    std::vector<SideSum> out;
    for (const std::string& territory : territories) {
        SideSum sum;
        sum.territory = territory;
        for (const Share& s : held) {
            const bool own = !territory.empty() && named.contains({whoIs(s), territory});
            if (s.territory != (own ? territory : std::string()))
                continue;
            if (s.part)
                sum.sum = sum.sum + *s.part;
            else
                ++sum.unknown;
        }
        out.push_back(std::move(sum));
    }
    return out;
}

std::string sumSentence(const SideSum& sum, size_t shares) {
    const std::string where = sum.territory.empty() ? std::string() : " in " + sum.territory;
    const Fraction all(1, 1);
    if (shares == 0)
        return fmt::format("Nobody is named yet{}.", where);
    if (sum.isTooMuch())
        return fmt::format("{} too much{}: they add up to {}.", (sum.sum - all).percent(), where,
                           sum.sum.percent());
    if (sum.unknown > 0)
        return fmt::format("The part of {} is not known{}: {} is open.",
                           sum.unknown == 1 ? std::string("one") : std::to_string(sum.unknown), where,
                           (all - sum.sum).percent());
    if (sum.isWhole())
        return fmt::format("Adds up exactly{}.", where);
    return fmt::format("{} is open{}: no one is named for it.", (all - sum.sum).percent(), where);
}

std::string shownParty(const Share& share, const std::function<std::string(CardId)>& nameOf) {
    if (share.party != 0) {
        std::string name = nameOf(share.party);
        return name.empty() ? "somebody who is no longer known" : name;
    }
    return share.name.empty() ? "held by the writer" : share.name;
}

} // namespace moorfrost::library
