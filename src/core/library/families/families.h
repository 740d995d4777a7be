// SPDX-License-Identifier: GPL-3.0-or-later
// Families: the versions of one recording, with one that leads. What a person says of them is journalled and
// can be taken back (kept_change). Proposals: any thread; the rest on the thread of the store.
#pragma once

#include <functional>
#include <stop_token>

#include "core/library/families/version_names.h"
#include "core/library/kept_change.h"
#include "core/library/search/searcher.h"
#include "core/library/store/family_table.h"

namespace moorfrost::library {

struct FamilyMember {
    RecordingId recording = 0;
    std::vector<FileId> files; // the best first
    std::string kind;          // leadVersion, or one of versionKinds()
    std::string detail;        // of a stem the instrument, of a remix by whom
};
struct Family {
    std::string id;                    // "" where there is none
    std::vector<FamilyMember> members; // the lead first, then in the order that was given
};
Family familyOf(Store& store, RecordingId recording);
/// What a recording is in its family, by what is kept of it (familyField), for people: "Instrumental"; "" for
/// none.
std::string shownVersionOf(const std::vector<std::string>& kept);
std::vector<Family> allFamilies(Store& store);

/// A version, as a person settles it.
struct VersionToKeep {
    FileId file = 0;
    std::string kind, detail;
    bool operator==(const VersionToKeep&) const = default;
};
/// Each list becomes one family, in this order; the one of the kind lead leads, else the first. Families that
/// its members were in are joined: those that are not named stay behind the others. An Error (Invalid) with
/// fewer than two recordings, two leads, or a kind that is none.
Result<ChangeOutcome> keepFamilies(Store& store, const std::vector<std::vector<VersionToKeep>>& families);
/// The same, where each family is to have just these members, and `alone` are in none: families that they
/// were in before count no more.
Result<ChangeOutcome> settleFamilies(Store& store, const std::vector<std::vector<VersionToKeep>>& families,
                                     const std::vector<FileId>& alone);
/// These stand alone again; of a family of which one is left nothing stays.
Result<ChangeOutcome> leaveFamily(Store& store, const std::vector<FileId>& files);

/// What may be a family.
struct FamilyProposal {
    std::vector<VersionToKeep> versions; // the lead first, where there is one
    bool hasLead = false;
    double sure = 0; // 0 to 1
    std::string why; // in words, for people
};
/// A file that the searcher does not know: of a batch.
struct NamedFile {
    FileId file = 0;
    std::string title, artist; // as they will be; may be ""
    Path path;
    double seconds = 0;
};
/// Of the whole library, or of the files in `only` with those of the library that may lead them; files
/// `beside` the library go with it. `inFamily`:
/// whether a file is in one already: such a group is proposed only where it gets somebody. `soundAlike`: how
/// sure two files have the same sound (sound/compare.h), may be empty; asked for within a group only. The
/// surest first; after a stop of no use.
std::vector<FamilyProposal> proposeFamilies(const Searcher& library, const std::vector<FileId>& only = {},
                                            const std::vector<NamedFile>& beside = {},
                                            const std::function<std::string(FileId)>& inFamily = {},
                                            const std::function<double(FileId, FileId)>& soundAlike = {},
                                            std::stop_token stop = {});

} // namespace moorfrost::library
