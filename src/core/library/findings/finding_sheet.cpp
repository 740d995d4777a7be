// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/findings/finding_sheet.h"

#include <algorithm>
#include <unordered_set>

#include "core/text/text.h"

namespace moorfrost::library {

namespace {

constexpr size_t mostReleases = 100; // that are offered

size_t placeOf(const AuditRule* rule) {
    return static_cast<size_t>(rule - auditRules().data());
}

/// The narrowest span in which the day is.
FoundWhen whenOf(int32_t day, int32_t today) {
    const int32_t ago = today - day;
    return ago <= 0   ? FoundWhen::Today
           : ago < 7  ? FoundWhen::Week
           : ago < 30 ? FoundWhen::Month
                      : FoundWhen::Earlier;
}

/// Those of the last week are of the last month, too.
bool isWithin(FoundWhen found, FoundWhen asked) {
    return asked == FoundWhen::Always || found == asked ||
           (asked != FoundWhen::Earlier && found != FoundWhen::Earlier && found < asked);
}

class Words {
public:
    explicit Words(const std::string& text) {
        for (const std::string& word : text::split(text::fold(text), " "))
            if (!word.empty())
                words_.push_back(word);
    }
    bool areIn(const FindingSheet& sheet, size_t at) const {
        if (words_.empty())
            return true;
        const std::string said = text::fold(sheet.title(at) + " " + sheet.head(at).rule->name);
        return std::ranges::all_of(
            words_, [&](const std::string& word) { return said.find(word) != std::string::npos; });
    }

private:
    std::vector<std::string> words_;
};

} // namespace

FindingSheet::FindingSheet(std::shared_ptr<const ReleaseAudit> releases, Findings together,
                           const RuleChoices& choices, const Left& left, const FindingDays& days,
                           int32_t today)
    : releases_(std::move(releases)), together_(std::move(together)), counts_(auditRules().size()) {
    std::vector<RuleChoices::Choice> choiceOf;
    for (const AuditRule& rule : auditRules())
        choiceOf.push_back(choices.of(rule));
    std::unordered_set<FileId> units;
    auto add = [&](const Findings& findings, bool isTogether) {
        for (uint32_t i = 0; i < findings.size(); ++i) {
            const Findings::Head& head = findings.head(i);
            if (!head.rule || !choiceOf[placeOf(head.rule)].on)
                continue;
            Entry entry;
            entry.at = i;
            entry.together = isTogether;
            entry.weight = choiceOf[placeOf(head.rule)].weight;
            const auto leftAs = left.find(head.key);
            entry.left = leftAs != left.end() && leftAs->second.facts == head.facts;
            const int32_t day = days.of(head.key);
            entry.day = day == 0 ? today : day;
            entries_.push_back(entry);
            if (entry.left)
                continue;
            ++counts_[placeOf(head.rule)];
            ++open_;
            if (head.unit != 0)
                units.insert(head.unit);
        }
    };
    if (releases_)
        add(releases_->findings, false);
    add(together_, true);
    inReleases_ = units.size();
    std::ranges::stable_sort(entries_, {}, [this](const Entry& entry) {
        const auto& head = (entry.together ? together_ : releases_->findings).head(entry.at);
        return std::tuple(entry.weight, placeOf(head.rule), -head.sure);
    });
}

std::vector<uint64_t> FindingSheet::keys() const {
    std::vector<uint64_t> out;
    out.reserve(entries_.size());
    for (size_t i = 0; i < entries_.size(); ++i)
        out.push_back(head(i).key);
    return out;
}

size_t FindingSheet::count(const AuditRule& rule) const {
    return counts_[placeOf(&rule)];
}

std::optional<FoundFindings> findFindings(const FindingSheet& sheet, const FindingFilter& filter,
                                          int32_t today, std::stop_token stop) {
    const Words words(filter.words);
    FoundFindings out;
    struct OfRelease {
        size_t count = 0;
        uint32_t example = 0;
    };
    std::unordered_map<FileId, OfRelease> releases;
    for (uint32_t i = 0; i < sheet.size(); ++i) {
        if (i % 1024 == 0 && stop.stop_requested())
            return std::nullopt;
        const Findings::Head& head = sheet.head(i);
        if (sheet.isLeft(i) != filter.left || (filter.rule && head.rule != filter.rule) ||
            (filter.weight && sheet.weight(i) != *filter.weight) || !words.areIn(sheet, i))
            continue;
        const FoundWhen found = whenOf(sheet.day(i), today);
        const bool onShelf = filter.shelf == 0 || head.shelf == filter.shelf,
                   inRelease = filter.release == 0 || head.unit == filter.release,
                   within = isWithin(found, filter.when);
        if (inRelease && within && head.shelf != 0)
            ++out.shelves[head.shelf];
        if (onShelf && within && head.unit != 0) {
            OfRelease& one = releases[head.unit];
            if (one.count++ == 0)
                one.example = i;
        }
        if (onShelf && inRelease)
            for (int asked = 0; asked < foundWhens; ++asked)
                out.when[asked] += isWithin(found, static_cast<FoundWhen>(asked));
        if (!onShelf || !inRelease || !within)
            continue;
        out.listed.push_back(i);
        out.anyFix = out.anyFix || head.fix;
    }
    std::vector<std::pair<FileId, OfRelease>> most(releases.begin(), releases.end());
    std::ranges::sort(most, [&](const auto& a, const auto& b) {
        const bool aChosen = a.first == filter.release, bChosen = b.first == filter.release;
        return aChosen != bChosen                 ? aChosen
               : a.second.count != b.second.count ? a.second.count > b.second.count
                                                  : a.first < b.first;
    });
    most.resize(std::min(most.size(), mostReleases));
    for (const auto& [unit, one] : most)
        out.releases.push_back({unit, sheet.finding(one.example).release, one.count});
    return out;
}

} // namespace moorfrost::library
