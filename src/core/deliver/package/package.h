// SPDX-License-Identifier: GPL-3.0-or-later
// Packages for archives: bags as RFC 8493 (BagIt 1.0) has them, with the files as they are, and beside them
// what the library knows: files, releases, parties, works and shares as JSON and CSV, the journal of the
// files, their fixity. Gathered on the thread of the store, written and verified on any thread.
#pragma once

#include <stop_token>

#include "core/library/store/store.h"
#include "core/work/progress.h"

namespace moorfrost::deliver {

struct PackageFile {
    library::FileId file = 0;
    Path path;        // where it is
    std::string name; // in the package, below "data/": "sound/Gannet Row/01 Gorse.flac"
    uint64_t bytes = 0;
    std::string essence; // as the library knows it; "" where it does not
};

struct PackageSubject {
    std::string title;
    std::vector<PackageFile> files;
    std::vector<std::pair<std::string, std::string>> metadata; // name below "data/", content
    std::vector<library::FileId> unknown; // files that are not in the library, or not there
    uint64_t bytes() const;
};
/// What is said of the package itself (bag-info.txt): names and values.
using PackageInfo = std::vector<std::pair<std::string, std::string>>;

PackageSubject packageSubject(library::Store& store, const std::vector<library::FileId>& files,
                              const std::string& title);

struct PackageMade {
    Path folder;
    size_t files = 0;
    uint64_t bytes = 0; // of the payload
};
/// Built beside its place and renamed when it is whole; each file is read once. `day`: ISO 8601. An Error
/// where something has the name already, a file cannot be read to its end or was changed meanwhile (its sound
/// is not the one that the library knows), the disk is full, or (Cancelled) after a stop; then nothing is
/// left.
Result<PackageMade> makePackage(const PackageSubject& subject, const PackageInfo& info, const Path& target,
                                const std::string& day, std::stop_token stop, work::Progress& progress);

/// What stands against a package.
struct PackageFinding {
    enum class What { Form, Missing, Changed, Extra, ClimbsOut };
    What what = What::Form;
    std::string name; // of the file in the package; "" for the package itself
    std::string sentence;
};
struct PackageCheck {
    std::vector<PackageFinding> findings; // none: it is whole
    size_t files = 0;                     // of the payload that were read
    uint64_t bytes = 0;
    PackageInfo info;
    bool isWhole() const { return findings.empty(); }
};
/// Reads all of it and compares every sum of every manifest; a bag of any maker. An Error where the folder
/// cannot be read at all, or (Cancelled) after a stop.
Result<PackageCheck> verifyPackage(const Path& folder, std::stop_token stop, work::Progress& progress);

/// Where a package of ours has its files, and the sheet with what is said of them.
inline constexpr const char* packageSounds = "data/sound";
inline constexpr const char* packageSheet = "data/metadata/files.csv";

} // namespace moorfrost::deliver
