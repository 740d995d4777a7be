// SPDX-License-Identifier: GPL-3.0-or-later
// How far the releases on the shelves meet the user's standard: worked out from what the library knows of
// their files, kept beside the library, and kept true by looking only at what has changed.
#pragma once

#include <stop_token>

#include "core/audit/readiness.h"
#include "core/library/search/library_search.h"
#include "core/library/search/readiness_table.h"
#include "core/work/progress.h"

namespace moorfrost::library {

/// What releases are held to.
struct ShelfRules {
    audit::Standard standard;
    files::NameProfile names = files::NameProfile::Portable; // what names on shelves must suit
    bool operator==(const ShelfRules&) const = default;
};

/// The standard of that name; the first where there is none.
const audit::Standard& standardByName(const std::vector<audit::Standard>& standards, const std::string& name);
/// The default standard, and what names must suit, as the library has it in its settings.
ShelfRules rulesOf(Store& store);

/// A file to be checked. `fields` and `path`: as they are, or will be; `file` must outlive what is returned.
audit::CheckedFile checkedFile(const audit::Standard& standard, const FileRecord& file, tags::Fields fields,
                               const Path& path, bool music,
                               const std::vector<tags::PictureInfo>* pictures = nullptr);
/// The table for the library as `search` has it. Looks only at the sleeves of files that changed since `held`
/// was made, or (without one) since what an earlier run left; without either at all. What was worked out is
/// left for the next run (a disk that cannot take it does no harm). nullptr after a stop. `beforeAll` is
/// called before everything is looked at, which takes long.
std::shared_ptr<const ReadinessTable> readinessOfShelves(Store& store, const LibrarySearch& search,
                                                         const ShelfRules& rules,
                                                         std::shared_ptr<const ReadinessTable> held,
                                                         std::stop_token stop, work::Progress& progress,
                                                         const std::function<void()>& beforeAll = {});

/// In words, and now: of the sleeve that each of these files stands in; empty for those that are not there.
std::vector<audit::Readiness> readinessAround(Store& store, const Searcher& searcher, const ShelfRules& rules,
                                              const std::vector<FileId>& files);

/// Where it lies.
Path readinessFileOf(const Path& library);

} // namespace moorfrost::library
