// SPDX-License-Identifier: GPL-3.0-or-later
// Folders, lists and searches that are kept, as people change them. Each change is journalled and can be
// taken back (kept_change); files are never touched. On the thread of the store; an Error (Invalid) says what
// makes no sense, and then nothing was changed.
#pragma once

#include "core/library/kept_change.h"

namespace moorfrost::library {

/// All of them, as a tree.
struct CollectionTree {
    std::map<CollectionId, Collection> all;
    std::map<CollectionId, std::vector<CollectionId>> children; // of folders; 0: on top
    std::map<CollectionId, size_t> counts;                      // entries of lists

    const Collection* find(CollectionId id) const;
    const std::vector<CollectionId>& in(CollectionId folder) const;
    /// "Reissues 2027 / Side A shortlist", by its first place.
    std::string pathOf(CollectionId id) const;
    /// By such a path, or by a name that only one has; 0: none. Case does not matter.
    CollectionId byPath(std::string_view path) const;
    /// Whether the folder stands in the other one, or is it.
    bool isWithin(CollectionId folder, CollectionId other) const;
    bool operator==(const CollectionTree&) const = default;
};
CollectionTree collectionsOf(Store& store);

/// A sentence where a collection cannot be called so; "" where it can.
std::string whyNotNamed(std::string_view name);

/// A new one, at the end of a folder; its number comes back in it.
Result<ChangeOutcome> makeCollection(Store& store, Collection& collection, CollectionId folder,
                                     const std::vector<FileId>& files = {});
/// Another name, note, query, who may see it.
Result<ChangeOutcome> changeCollection(Store& store, const Collection& collection);
/// From a folder to a place in another (or in the same), counted without itself. `also`: it stays where it
/// is, too (not for folders).
Result<ChangeOutcome> placeCollection(Store& store, CollectionId id, CollectionId from, CollectionId to,
                                      size_t position, bool also);
/// It stands in that folder no more. One that stands nowhere else is no more, and of a folder all that is in
/// it.
Result<ChangeOutcome> removeCollection(Store& store, CollectionId id, CollectionId folder);

/// Before the place `at`; SIZE_MAX: at the end. `meant`: these very files, not the best of their recordings.
Result<ChangeOutcome> addToList(Store& store, CollectionId list, const std::vector<FileId>& files,
                                size_t at = SIZE_MAX, bool meant = false);
Result<ChangeOutcome> removeFromList(Store& store, CollectionId list, std::vector<size_t> places);
/// Those entries together, in their order, before the place `to` of today.
Result<ChangeOutcome> moveInList(Store& store, CollectionId list, std::vector<size_t> places, size_t to);
/// The entries in this order: each place of today once.
Result<ChangeOutcome> orderList(Store& store, CollectionId list, const std::vector<size_t>& places);

/// A list as it is shown.
struct ListView {
    Collection list;
    std::vector<FileId> files; // of each entry, in order; 0: nothing is known of any of its files
};
ListView listOf(Store& store, CollectionId list);

} // namespace moorfrost::library
