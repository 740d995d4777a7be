// SPDX-License-Identifier: GPL-3.0-or-later
// What has changed, for those who keep a picture of the files on the shelves (search/library_search): the
// state that the files are in has a name, their revision. Where a picture is made, a revision is begun and
// kept on record, and what changes from then on is noted with it.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/library/records.h"
#include "core/library/store/database.h"

namespace moorfrost::library {

class RevisionTable {
public:
    explicit RevisionTable(Database& db) : db_(db) {}

    /// Another after every change of any file, whoever made it; the same as long as there was none.
    std::string current();
    /// Those on record, the latest first. Every change belongs to the latest.
    std::vector<std::string> known();
    /// To be called before a picture is made: what changes from now on is told by changedSince(). Where
    /// nothing can be written (a full disk) it is the latest that is known, which tells too much but nothing
    /// wrong.
    std::string begin();
    /// Files of the shelves that were changed, or are no more, since that revision was begun; nullopt if that
    /// is not known any more.
    std::optional<std::vector<FileId>> changedSince(const std::string& revision);
    /// Something that is known of these files beside them has changed. Those on no shelf are left out.
    void note(const std::vector<FileId>& files);
    /// All others, but the latest, are of no use any more: they and what changed before them are forgotten.
    void keep(const std::vector<std::string>& needed);

private:
    Database& db_;
};

} // namespace moorfrost::library
