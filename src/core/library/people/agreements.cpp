// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/people/agreements.h"

#include <algorithm>
#include <charconv>
#include <chrono>
#include <ctime>

#include <fmt/chrono.h>
#include <fmt/format.h>

namespace moorfrost::library {

namespace {

using Day = std::chrono::sys_days;

/// The first day that a date means, or its last; nullopt where it is none.
std::optional<Day> dayOf(std::string_view date, bool last) {
    using namespace std::chrono;
    auto number = [&](size_t from, size_t count) {
        int out = -1;
        if (date.size() >= from + count)
            std::from_chars(date.data() + from, date.data() + from + count, out);
        return out;
    };
    const int y = number(0, 4), m = number(5, 2), d = number(8, 2);
    if (y <= 0)
        return std::nullopt;
    if (m < 0)
        return last ? Day(year(y) / December / 31) : Day(year(y) / January / 1);
    if (m < 1 || m > 12)
        return std::nullopt;
    const auto month = year(y) / std::chrono::month(static_cast<unsigned>(m));
    if (d < 0)
        return last ? Day(month / std::chrono::last) : Day(month / 1);
    const year_month_day whole = month / static_cast<unsigned>(d);
    return whole.ok() ? std::optional<Day>(Day(whole)) : std::nullopt;
}

/// Those for which `names` is true.
template<class Names>
std::vector<AgreementLine> thatName(Store& store, Names&& names) {
    const std::string today = todayText();
    std::vector<AgreementLine> out;
    for (const auto& [id, facts] : store.cards().allFacts(CardKind::Agreement))
        if (names(facts))
            out.push_back(agreementLine(id, facts, today));
    return inOrder(std::move(out));
}

/// Where `change` leaves it as it is, nothing is journalled.
template<class Change>
Result<ChangeOutcome> changeList(Store& store, CardId agreement, const char* key, Change&& change) {
    const Facts facts = store.cards().facts(agreement);
    std::vector<std::string> all = factValues(facts, key);
    const std::vector<std::string> before = all;
    change(all);
    return all == before ? Result<ChangeOutcome>(ChangeOutcome()) : setCardFact(store, agreement, key, all);
}

bool hasNumber(const Facts& facts, const char* key, int64_t number) {
    const auto& values = factValues(facts, key);
    return std::ranges::find(values, std::to_string(number)) != values.end();
}

} // namespace

std::string todayText() {
    return fmt::format("{:%Y-%m-%d}", fmt::localtime(std::time(nullptr)));
}

Holding holdingOf(const Facts& agreement, const std::string& today) {
    const auto now = dayOf(today, false);
    const auto begins = dayOf(firstFact(agreement, "begins"), false);
    const auto ends = dayOf(firstFact(agreement, "ends"), true);
    auto days = [](Day from, Day to) { return static_cast<int>((to - from).count()); };
    if (!now)
        return {};
    if (begins && *now < *begins)
        return {Holds::NotYet, days(*now, *begins)};
    if (!ends)
        return {};
    if (*ends < *now)
        return {Holds::Over, days(*ends, *now)};
    const int left = days(*now, *ends);
    return {left <= soonDays ? Holds::Soon : Holds::Running, left};
}

std::string holdingText(const Facts& agreement, const std::string& today) {
    const Holding h = holdingOf(agreement, today);
    switch (h.holds) {
    case Holds::NotYet:
        return "begins " + firstFact(agreement, "begins");
    case Holds::Running:
        return "until " + firstFact(agreement, "ends");
    case Holds::Soon:
        return h.days == 0   ? "ends today"
               : h.days == 1 ? "ends tomorrow"
                             : fmt::format("ends in {} days", h.days);
    case Holds::Over:
        return "over since " + firstFact(agreement, "ends");
    case Holds::Open:
        break;
    }
    const auto ends = agreement.find(std::string_view("ends"));
    return ends != agreement.end() && ends->second.none ? "without an end" : "its end is not known";
}

AgreementLine agreementLine(CardId id, const Facts& facts, const std::string& today) {
    return {id, nameOfCard(CardKind::Agreement, facts), holdingText(facts, today), holdingOf(facts, today),
            documentsFrom(factValues(facts, documentsFact))};
}

std::vector<AgreementLine> inOrder(std::vector<AgreementLine> lines) {
    auto place = [](const AgreementLine& line) {
        switch (line.holding.holds) {
        case Holds::Soon:
            return std::pair(0, line.holding.days);
        case Holds::Running:
            return std::pair(1, line.holding.days);
        case Holds::Open:
            return std::pair(2, 0);
        case Holds::NotYet:
            return std::pair(3, line.holding.days);
        case Holds::Over:
            break;
        }
        return std::pair(4, line.holding.days);
    };
    std::ranges::stable_sort(lines, {}, place);
    return lines;
}

std::vector<AgreementLine> agreementsOfCard(Store& store, CardId card) {
    const CardTable::Row row = store.cards().find(card);
    if (row.since == 0)
        return {};
    return thatName(store, [&](const Facts& facts) {
        return hasNumber(facts, row.kind == CardKind::Party ? "parties" : "works", card);
    });
}

Result<ChangeOutcome> addDocuments(Store& store, CardId agreement,
                                   const std::vector<KeptDocument>& documents) {
    return changeList(store, agreement, documentsFact, [&](std::vector<std::string>& all) {
        for (const KeptDocument& d : documents)
            if (std::ranges::none_of(all,
                                     [&](const auto& one) { return documentFrom(one).sha256 == d.sha256; }))
                all.push_back(documentText(d));
    });
}

Result<ChangeOutcome> removeDocument(Store& store, CardId agreement, const KeptDocument& document) {
    return changeList(store, agreement, documentsFact, [&](std::vector<std::string>& all) {
        std::erase_if(all, [&](const auto& one) { return documentFrom(one).sha256 == document.sha256; });
    });
}

Result<ChangeOutcome> setCovered(Store& store, CardId agreement, const char* key, int64_t number,
                                 bool covered) {
    return changeList(store, agreement, key, [&](std::vector<std::string>& all) {
        const std::string text = std::to_string(number);
        const bool has = std::ranges::find(all, text) != all.end();
        if (!covered)
            std::erase(all, text);
        else if (!has)
            all.push_back(text);
    });
}

std::vector<CardId> worksOf(Store& store, const std::vector<RecordingId>& recordings) {
    std::vector<CardId> out;
    for (const RecordingId recording : recordings)
        for (const std::string& one : store.recordings().values(recording, workField))
            if (const CardId work = std::strtoll(one.c_str(), nullptr, 10);
                std::ranges::find(out, work) == out.end())
                out.push_back(work);
    return out;
}

std::vector<AgreementLine> agreementsOfRelease(Store& store, ReleaseId release,
                                               const std::vector<RecordingId>& recordings) {
    const std::vector<CardId> works = worksOf(store, recordings);
    return thatName(store, [&](const Facts& facts) {
        return (release != 0 && hasNumber(facts, coveredReleases, release)) ||
               std::ranges::any_of(works, [&](CardId work) { return hasNumber(facts, "works", work); });
    });
}

} // namespace moorfrost::library
