// SPDX-License-Identifier: GPL-3.0-or-later
// All findings there are by now, in the order in which they are shown, and which of them pass a filter. What
// takes longer with many of them is made and asked off the thread that shows them. Immutable once made; any
// thread.
#pragma once

#include <memory>
#include <optional>
#include <stop_token>
#include <unordered_map>

#include "core/library/findings/audit.h"
#include "core/library/findings/finding_days.h"
#include "core/library/store/finding_table.h"

namespace moorfrost::library {

class FindingSheet {
public:
    using Left = std::unordered_map<uint64_t, LeftFinding>;

    FindingSheet() : counts_(auditRules().size()) {}
    /// `releases` may be nullptr. Findings of rules that are off are left out. `today` (days since 1970)
    /// counts for those whose day is not known yet.
    FindingSheet(std::shared_ptr<const ReleaseAudit> releases, Findings together, const RuleChoices& choices,
                 const Left& left, const FindingDays& days, int32_t today);

    /// The gravest first, then in the order of rules, the surest first.
    size_t size() const { return entries_.size(); }
    const Findings::Head& head(size_t at) const { return of(at).head(entries_[at].at); }
    std::string title(size_t at) const { return of(at).title(entries_[at].at); }
    Finding finding(size_t at) const { return of(at)[entries_[at].at]; }
    Weight weight(size_t at) const { return entries_.at(at).weight; }
    /// A person left it as it is.
    bool isLeft(size_t at) const { return entries_.at(at).left; }
    /// On which it was found first.
    int32_t day(size_t at) const { return entries_.at(at).day; }
    std::vector<uint64_t> keys() const;

    /// Of those that are not left: by a rule, in all, in how many releases.
    size_t count(const AuditRule& rule) const;
    const std::vector<size_t>& counts() const { return counts_; } // in the order of the rules
    size_t open() const { return open_; }
    size_t releases() const { return inReleases_; }

private:
    struct Entry {
        uint32_t at = 0;
        int32_t day = 0;
        bool together = false; // else of a release
        bool left = false;
        Weight weight = Weight::Plain;
    };
    const Findings& of(size_t at) const { return entries_.at(at).together ? together_ : releases_->findings; }

    std::shared_ptr<const ReleaseAudit> releases_;
    Findings together_;
    std::vector<Entry> entries_;
    std::vector<size_t> counts_;
    size_t open_ = 0, inReleases_ = 0;
};

/// Spans of days on which findings were found first.
enum class FoundWhen { Always, Today, Week, Month, Earlier };
inline constexpr int foundWhens = 5;

struct FindingFilter {
    const AuditRule* rule = nullptr; // nullptr: all
    std::optional<Weight> weight;
    bool left = false;  // those that are left as they are
    int64_t shelf = 0;  // 0: all
    FileId release = 0; // by its unit; 0: all
    FoundWhen when = FoundWhen::Always;
    std::string words; // all are in the title or the name of the rule
    bool operator==(const FindingFilter&) const = default;
};

struct FoundFindings {
    std::vector<uint32_t> listed; // numbers in the sheet, in its order
    bool anyFix = false;          // among them
    // How many there would be by each choice of a facet, all else as it is.
    std::unordered_map<int64_t, size_t> shelves;
    struct Release {
        FileId unit = 0;
        std::string name;
        size_t count = 0;
    };
    std::vector<Release> releases; // those with the most, the chosen one always
    size_t when[foundWhens] = {};  // by FoundWhen
};
/// nullopt after a stop.
std::optional<FoundFindings> findFindings(const FindingSheet& sheet, const FindingFilter& filter,
                                          int32_t today, std::stop_token stop = {});

} // namespace moorfrost::library
