// SPDX-License-Identifier: GPL-3.0-or-later
// Collections: folders that hold folders and lists; lists of recordings, ordered by hand; searches that are
// kept, as lists that fill themselves. A list or a search may stand in several folders, a folder stands in
// one. Nothing here is journalled: library/collections does that.
#pragma once

#include <map>
#include <string>
#include <vector>

#include "core/library/store/recording_table.h"

namespace moorfrost::library {

using CollectionId = int64_t;

struct Collection {
    enum class Kind { Folder, List, Search };
    /// Who may see it where it is shown to others (share pages).
    enum class SeenBy { OnlyMe, Named, Everyone };

    CollectionId id = 0;
    Kind kind = Kind::List;
    std::string name, note;
    std::string query; // of a search
    SeenBy seenBy = SeenBy::OnlyMe;
    std::vector<std::string> people; // where only those named may see it
    int64_t created = 0;             // seconds since 1970
    bool operator==(const Collection&) const = default;
};

/// What stands at one place of a list.
struct ListEntry {
    RecordingId recording = 0;
    FileId file = 0; // the one that is meant; 0: whichever is the best
    bool operator==(const ListEntry&) const = default;
};

class CollectionTable {
public:
    explicit CollectionTable(Database& db) : db_(db) {}

    std::map<CollectionId, Collection> all();
    /// `id` 0 where there is none.
    Collection find(CollectionId id);
    /// A number that no collection has had.
    CollectionId fresh();
    /// Makes it, or makes it otherwise.
    void save(const Collection& collection);
    /// It stands nowhere and has no entries.
    void remove(CollectionId id);

    /// What stands in a folder, in order; 0: on top.
    std::vector<CollectionId> childrenOf(CollectionId folder);
    std::map<CollectionId, std::vector<CollectionId>> allChildren();
    void setChildren(CollectionId folder, const std::vector<CollectionId>& children);
    std::vector<CollectionId> foldersOf(CollectionId id);

    size_t countOf(CollectionId list);
    std::map<CollectionId, size_t> counts();
    /// In order; from the place `at`, so many at most.
    std::vector<ListEntry> entries(CollectionId list, size_t at = 0, size_t most = SIZE_MAX);
    /// At the place `at`, `removed` entries go and others come in their stead; `at` and `removed` within what
    /// there is.
    void splice(CollectionId list, size_t at, size_t removed, const std::vector<ListEntry>& inserted);
    /// The places at which a recording stands.
    std::vector<std::pair<CollectionId, size_t>> placesOf(RecordingId recording);

private:
    Database& db_;
};

} // namespace moorfrost::library
