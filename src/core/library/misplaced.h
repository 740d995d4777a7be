// SPDX-License-Identifier: GPL-3.0-or-later
// Files on shelves whose names or places are not as the plan of their shelf has them. What the tags say on
// the disk counts, not drafts. Nothing is moved here.
#pragma once

#include <span>

#include "core/files/safe_name.h"
#include "core/library/shelf_plans.h"
#include "core/library/store/store.h"
#include "core/naming/plan.h"

namespace moorfrost::library {

struct Misplaced {
    FileId file = 0;
    Path at, to; // below the shelf
};

class ShelfPlans {
public:
    /// `plans`: by the number of the shelf; those that cannot be used are left out. `customFields`: keys that
    /// they may name.
    ShelfPlans(Store& store, const std::map<int64_t, std::string>& plans,
               const std::vector<std::string>& customFields, files::NameProfile profile);
    bool has(int64_t shelf) const { return shelves_.contains(shelf); }
    const std::string& plan(int64_t shelf) const { return shelves_.at(shelf).plan.text; }
    /// Of the files of one release (`isRelease`), or of strays, those on the shelf of the first. A file that
    /// the plan gives no name, as it lacks a value, is not told.
    std::vector<Misplaced> misplaced(std::span<const FileRecord> files, bool isRelease) const;

private:
    struct OfShelf {
        Path path;
        naming::Plan plan;
    };
    std::map<int64_t, OfShelf> shelves_;
    files::NameProfile profile_;
};

} // namespace moorfrost::library
