// SPDX-License-Identifier: GPL-3.0-or-later
// Files on shelves whose names or places are not as the plan of their shelf has them. What the tags say on
// the disk counts, not drafts. Nothing is moved here.
#pragma once

#include <functional>
#include <span>
#include <stop_token>

#include "core/files/safe_name.h"
#include "core/library/placing_rules.h"
#include "core/library/search/searcher.h"
#include "core/library/store/store.h"
#include "core/naming/plan.h"
#include "core/work/progress.h"

namespace moorfrost::library {

struct Misplaced {
    FileId file = 0;
    Path at, to; // below the shelf
};

class ShelfPlans {
public:
    /// Shelves whose plan cannot be used are left out. `customFields`: keys that plans may name. `profile`:
    /// what names must suit on shelves without a choice of their own.
    ShelfPlans(Store& store, const PlacingRules& rules, const std::vector<std::string>& customFields,
               files::NameProfile profile);
    bool has(int64_t shelf) const { return shelves_.contains(shelf); }
    const std::string& plan(int64_t shelf) const { return shelves_.at(shelf).plan.text; }
    /// Of the files of one release (`isRelease`), or of strays, those on the shelf of the first. A file that
    /// the plan gives no name, as it lacks a value, is not told; neither is one that is called "... (2)",
    /// where another file has its name.
    std::vector<Misplaced> misplaced(std::span<const FileRecord> files, bool isRelease) const;

private:
    struct OfShelf {
        Path path;
        naming::Plan plan;
        files::NameProfile profile = files::NameProfile::Portable;
    };
    std::map<int64_t, OfShelf> shelves_;
};

/// All on that shelf, release by release, until a stop.
void eachMisplaced(Store& store, const Searcher& searcher, const ShelfPlans& plans, int64_t shelf,
                   std::stop_token stop, work::Progress& progress,
                   const std::function<void(const Misplaced&)>& found);

/// What is misplaced on a shelf, for those who put it right.
struct MisplacedFiles {
    std::vector<FileId> files; // by their place
    size_t known = 0;          // files of the library on that shelf
    std::string why;           // a sentence where it cannot be told
};
/// `plan`: in place of that of the shelf; "": that.
MisplacedFiles misplacedOn(Store& store, const Searcher& searcher, int64_t shelf, const std::string& plan,
                           std::stop_token stop, work::Progress& progress);

} // namespace moorfrost::library
