// SPDX-License-Identifier: GPL-3.0-or-later
// The whole library, looked through by the rules: release by release (kept true by looking only at what has
// changed), and what only all of it together tells. What a file says on the disk counts, not its drafts.
#pragma once

#include "core/library/findings/finding.h"
#include "core/library/placing_rules.h"
#include "core/library/shelf_readiness.h"
#include "core/sound/store.h"

namespace moorfrost::library {

struct AuditRules {
    RuleChoices choices;
    ShelfRules shelf;     // of the rule that asks for the standard
    PlacingRules placing; // of shelves, for the rule about names and places
    bool operator==(const AuditRules&) const = default;
};
AuditRules auditRulesOf(Store& store);

/// Which release each file stands in: told by the first file of it.
class ReleaseUnits {
public:
    ReleaseUnits() = default;
    /// Of all files.
    explicit ReleaseUnits(std::vector<std::pair<FileId, FileId>> units);
    FileId of(FileId file) const; // 0: not known
    std::vector<FileId> filesOf(FileId unit) const;
    size_t size() const;
    /// `unit`: 0 for files that are no more.
    void set(FileId file, FileId unit) { changed_[file] = unit; }
    /// So much was set since it was made that it is worth making anew.
    bool isWorn() const { return changed_.size() > 20000; }

private:
    using Pairs = std::vector<std::pair<FileId, FileId>>;
    std::shared_ptr<const Pairs> byFile_ = std::make_shared<Pairs>();
    std::shared_ptr<const Pairs> byUnit_ = std::make_shared<Pairs>(); // unit, file
    std::map<FileId, FileId> changed_;
};

/// Immutable once made; any thread may read it, one at a time a copy of its findings.
struct ReleaseAudit {
    AuditRules rules;
    std::string revision; // of the store: what has changed since is not in it
    Findings findings;
    ReleaseUnits units;
};
/// Of what changed since `held` was made where that is known and by the same rules, else of all. nullptr
/// after a stop. `store`: a connection of its own. `measured`: files whose sound was measured since, which is
/// no change of the file.
std::shared_ptr<const ReleaseAudit> auditReleases(Store& store, const LibrarySearch& search,
                                                  const AuditRules& rules,
                                                  std::shared_ptr<const ReleaseAudit> held,
                                                  const std::vector<FileId>& measured, std::stop_token stop,
                                                  work::Progress& progress);

/// What only all of it together tells: values that are nearly the same, codes that are there twice, the same
/// sound twice, shares, agreements. `sounds`: nullptr where nothing was heard; then lengths tell.
/// std::nullopt after a stop.
std::optional<Findings> auditTogether(Store& store, const Searcher& searcher, const AuditRules& rules,
                                      sound::SoundStore* sounds, std::stop_token stop,
                                      work::Progress& progress);

/// What the fixes of these come to, one behind the other: a text takes the place of another in what is
/// drafted already, and in what a fix before it made.
std::vector<DraftSession::Wish> wishesOf(Store& store, const std::vector<Finding>& findings);
inline std::vector<DraftSession::Wish> wishesOf(Store& store, const Finding& finding) {
    return wishesOf(store, std::vector{finding});
}

} // namespace moorfrost::library
