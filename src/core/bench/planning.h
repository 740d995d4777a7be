// SPDX-License-Identifier: GPL-3.0-or-later
// From drafts to the set of changes that is written: which drafts are meant, where drafted files will be, and
// what is to be done to each file. Values only: taken on the thread that edits, carried on to a worker, and
// not touched by what is edited later.
#pragma once

#include <functional>
#include <optional>
#include <set>
#include <unordered_map>

#include "core/bench/known_files.h"
#include "core/bench/sleeve_places.h"
#include "core/files/change_set.h"
#include "core/library/drafts.h"
#include "core/library/place_wish.h"
#include "core/library/placing_rules.h"
#include "core/placing/put_away.h"

namespace moorfrost::bench {

using library::PlaceWish;

/// By what places are worked out.
struct PlaceRules {
    std::vector<library::Shelf> shelves;
    files::NameProfile profile = files::NameProfile::Portable;
    std::vector<std::string> customFields; // keys that a plan may name
    library::PlacingRules placing = {};    // of the shelves
    std::set<int64_t> notThere = {};       // shelves that are not mounted
    std::vector<Path> roots = {};          // that were brought in
};
/// nullopt where the shelf is none any more, or the plan makes no sense.
std::optional<placing::PutAwayOptions> optionsFor(const PlaceWish& wish, const PlaceRules& rules);

/// A file with what is to be changed.
struct Proposal {
    FilePtr file;
    tags::Fields changes;          // an empty list blanks a field
    std::optional<PlaceWish> wish; // where it is to go
    std::string sleeve;            // files with the same are believed to be one release; "" for strays
    placing::PutAwayFile toPlace() const;
};

/// Where drafted files will be.
struct Places {
    std::vector<placing::Placement> placements; // of files, then of what goes along
    std::vector<Path> emptied;                  // folders that the moves leave empty, inner ones first
    std::string shelfProblem;                   // a sentence if a shelf itself cannot be used
    /// nullptr for a file that goes nowhere.
    const placing::Placement* of(FileId file) const;
    size_t moving() const; // files

private:
    friend Places placesOf(const std::vector<Proposal>& proposals, const PlaceRules& rules);
    std::unordered_map<FileId, size_t> byFile_;
};
/// Looks at the disk. `proposals`: those without a wish are left out.
Places placesOf(const std::vector<Proposal>& proposals, const PlaceRules& rules);

/// How a set is written.
struct WriteOptions {
    files::HardLinks hardLinks = files::HardLinks::Ask;
    tags::Damage damage = tags::Damage::Refuse;
    bool keepTimes = false;
};
/// What gives way, and to what.
struct Replaced {
    Path there;
    FileId by = 0;
};
std::vector<Replaced> replacedBy(const Places& places);
std::vector<Path> pathsOf(const std::vector<Replaced>& replaced);

/// What is to be done, but for what gives way. Files that nothing is to be done to are left out; those whose
/// place is blocked get their tags only. The title is left to the caller.
files::ChangeSet changeSet(const std::vector<Proposal>& proposals, const Places& places,
                           const WriteOptions& options);

/// The drafts of the files that go with this batch (KnownFiles::goesWith), as they are now.
std::vector<Proposal> proposalsOf(const KnownFiles& files, const library::DraftSession& drafts, int64_t batch,
                                  const SleevePlaces& sleeves);

/// As Proposal has it: by the batch; of a file that is on a shelf only, by its album and album artist.
std::string sleeveKeyOf(const SleevePlaces& sleeves, const library::FileRecord& file);

/// How many drafts there are.
struct DraftCounts {
    size_t fields = 0, files = 0; // of fields, in so many files
    size_t places = 0;
    size_t elsewhere = 0; // of both kinds, in files of other batches only: not written with this one
    bool operator==(const DraftCounts&) const = default;
};
DraftCounts countDrafts(const KnownFiles& files, const library::DraftSession& drafts, int64_t batch);

} // namespace moorfrost::bench
