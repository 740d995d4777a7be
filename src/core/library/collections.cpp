// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/collections.h"

#include <algorithm>
#include <ctime>

#include <fmt/format.h>

#include "core/library/recordings.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

using Kind = Collection::Kind;

constexpr size_t longestName = 300;

Error invalid(std::string sentence) {
    return {ErrorKind::Invalid, {}, std::move(sentence)};
}

const char* word(Kind kind) {
    return kind == Kind::Folder ? "folder" : kind == Kind::List ? "list" : "search";
}

Result<Collection> known(Store& store, CollectionId id) {
    Collection found = store.collections().find(id);
    if (found.id == 0)
        return invalid("The library has no such collection any more.");
    return found;
}

Result<Collection> knownList(Store& store, CollectionId id) {
    auto found = known(store, id);
    if (found && found->kind != Kind::List)
        return invalid(found->kind == Kind::Folder
                           ? "A folder holds lists, not tracks."
                           : "A search fills itself: nothing can be put into it by hand.");
    return found;
}

/// 0, or a folder that there is.
Status isFolder(Store& store, CollectionId folder) {
    if (folder == 0)
        return Done{};
    const auto found = known(store, folder);
    if (!found)
        return found.error();
    if (found->kind != Kind::Folder)
        return invalid("Only a folder holds other collections.");
    return Done{};
}

std::vector<ListEntry> entriesFor(Store& store, const std::vector<FileId>& files, bool meant) {
    std::vector<ListEntry> out;
    for (const FileId file : files)
        if (store.files().find(file))
            out.push_back({store.recordings().ensure(file), meant ? file : 0});
    return out;
}

std::string tracksText(size_t count) {
    return count == 1 ? std::string("a track") : fmt::format("{} tracks", count);
}

/// The folder and all that goes with it.
void removeAll(Store& store, KeptChange& change, CollectionId id) {
    const Collection what = store.collections().find(id);
    for (const CollectionId child : store.collections().childrenOf(id)) {
        std::vector<CollectionId> rest = store.collections().childrenOf(id);
        std::erase(rest, child);
        change.setChildren(id, rest);
        if (store.collections().foldersOf(child).empty())
            removeAll(store, change, child);
    }
    if (what.kind == Kind::List)
        change.splice(id, 0, store.collections().countOf(id), {});
    change.removeCollection(id);
}

/// Places in rising order, each once; false where one is none.
bool areIn(std::vector<size_t>& places, size_t count) {
    std::ranges::sort(places);
    places.erase(std::unique(places.begin(), places.end()), places.end());
    return places.empty() || places.back() < count;
}

/// What is otherwise, as one splice: what is the same in front and behind stays.
void setEntries(KeptChange& change, CollectionId list, const std::vector<ListEntry>& before,
                const std::vector<ListEntry>& after) {
    size_t front = 0;
    while (front < before.size() && front < after.size() && before[front] == after[front])
        ++front;
    size_t behind = 0;
    while (behind < before.size() - front && behind < after.size() - front &&
           before[before.size() - 1 - behind] == after[after.size() - 1 - behind])
        ++behind;
    change.splice(list, front, before.size() - front - behind,
                  {after.begin() + static_cast<std::ptrdiff_t>(front),
                   after.end() - static_cast<std::ptrdiff_t>(behind)});
}

} // namespace

const Collection* CollectionTree::find(CollectionId id) const {
    const auto it = all.find(id);
    return it == all.end() ? nullptr : &it->second;
}

const std::vector<CollectionId>& CollectionTree::in(CollectionId folder) const {
    static const std::vector<CollectionId> none;
    const auto it = children.find(folder);
    return it == children.end() ? none : it->second;
}

std::string CollectionTree::pathOf(CollectionId id) const {
    std::string out;
    for (size_t depth = 0; depth < all.size() + 1 && id != 0; ++depth) {
        const Collection* c = find(id);
        if (!c)
            break;
        out = out.empty() ? c->name : c->name + " / " + out;
        CollectionId above = 0;
        for (const auto& [folder, list] : children)
            if (std::ranges::find(list, id) != list.end()) {
                above = folder;
                break;
            }
        id = above;
    }
    return out;
}

CollectionId CollectionTree::byPath(std::string_view path) const {
    const std::string wanted = text::fold(path);
    CollectionId byName = 0;
    size_t called = 0;
    for (const auto& [id, c] : all) {
        if (text::fold(pathOf(id)) == wanted)
            return id;
        if (text::fold(c.name) == wanted) {
            byName = id;
            ++called;
        }
    }
    return called == 1 ? byName : 0;
}

bool CollectionTree::isWithin(CollectionId folder, CollectionId other) const {
    if (folder == other)
        return true;
    return std::ranges::any_of(in(other), [&](CollectionId child) { return isWithin(folder, child); });
}

CollectionTree collectionsOf(Store& store) {
    return {store.collections().all(), store.collections().allChildren(), store.collections().counts()};
}

std::string whyNotNamed(std::string_view name) {
    if (text::trim(name).empty())
        return "A collection needs a name.";
    if (name.size() > longestName)
        return fmt::format("A name has at most {} letters.", longestName);
    if (name.find_first_of(std::string_view("\n\r\t\0", 4)) != std::string_view::npos)
        return "A name is one line.";
    return {};
}

Result<ChangeOutcome> makeCollection(Store& store, Collection& collection, CollectionId folder,
                                     const std::vector<FileId>& files) {
    if (std::string why = whyNotNamed(collection.name); !why.empty())
        return invalid(std::move(why));
    KeptChange change(store);
    if (const Status is = isFolder(store, folder); !is)
        return is.error();
    collection.id = store.collections().fresh();
    collection.created = std::time(nullptr);
    change.setCollection(collection);
    std::vector<CollectionId> children = store.collections().childrenOf(folder);
    children.push_back(collection.id);
    change.setChildren(folder, children);
    if (collection.kind == Kind::List)
        change.splice(collection.id, 0, 0, entriesFor(store, files, false));
    return change.commit(fmt::format("New {} \"{}\"", word(collection.kind), collection.name));
}

Result<ChangeOutcome> changeCollection(Store& store, const Collection& collection) {
    if (std::string why = whyNotNamed(collection.name); !why.empty())
        return invalid(std::move(why));
    KeptChange change(store);
    const auto before = known(store, collection.id);
    if (!before)
        return before.error();
    Collection after = collection;
    after.kind = before->kind;
    after.created = before->created;
    change.setCollection(after);
    return change.commit(before->name != after.name
                             ? fmt::format("\"{}\" is called \"{}\"", before->name, after.name)
                             : fmt::format("Change \"{}\"", after.name));
}

Result<ChangeOutcome> placeCollection(Store& store, CollectionId id, CollectionId from, CollectionId to,
                                      size_t position, bool also) {
    KeptChange change(store);
    const auto what = known(store, id);
    if (!what)
        return what.error();
    if (const Status is = isFolder(store, to); !is)
        return is.error();
    if (what->kind == Kind::Folder && collectionsOf(store).isWithin(to, id))
        return invalid("A folder cannot stand in itself.");
    std::vector<CollectionId> source = store.collections().childrenOf(from);
    if (std::ranges::find(source, id) == source.end())
        return invalid(fmt::format("\"{}\" stands somewhere else by now.", what->name));
    also = also && what->kind != Kind::Folder && from != to;
    if (!also) {
        std::erase(source, id);
        change.setChildren(from, source);
    }
    std::vector<CollectionId> target = store.collections().childrenOf(to);
    std::erase(target, id); // it stands in a folder once
    target.insert(target.begin() + static_cast<std::ptrdiff_t>(std::min(position, target.size())), id);
    change.setChildren(to, target);
    return change.commit(also ? fmt::format("\"{}\" also stands elsewhere", what->name)
                              : fmt::format("Move \"{}\"", what->name));
}

Result<ChangeOutcome> removeCollection(Store& store, CollectionId id, CollectionId folder) {
    KeptChange change(store);
    const auto what = known(store, id);
    if (!what)
        return what.error();
    std::vector<CollectionId> rest = store.collections().childrenOf(folder);
    if (std::erase(rest, id) == 0)
        return invalid(fmt::format("\"{}\" stands somewhere else by now.", what->name));
    change.setChildren(folder, rest);
    if (store.collections().foldersOf(id).empty())
        removeAll(store, change, id);
    return change.commit(fmt::format("Remove the {} \"{}\"", word(what->kind), what->name));
}

Result<ChangeOutcome> addToList(Store& store, CollectionId list, const std::vector<FileId>& files, size_t at,
                                bool meant) {
    KeptChange change(store);
    const auto what = knownList(store, list);
    if (!what)
        return what.error();
    const std::vector<ListEntry> entries = entriesFor(store, files, meant);
    change.splice(list, std::min(at, store.collections().countOf(list)), 0, entries);
    return change.commit(fmt::format("Add {} to \"{}\"", tracksText(entries.size()), what->name));
}

Result<ChangeOutcome> removeFromList(Store& store, CollectionId list, std::vector<size_t> places) {
    KeptChange change(store);
    const auto what = knownList(store, list);
    if (!what)
        return what.error();
    const std::vector<ListEntry> before = store.collections().entries(list);
    if (!areIn(places, before.size()))
        return invalid(fmt::format("\"{}\" has fewer tracks by now.", what->name));
    std::vector<ListEntry> after;
    for (size_t i = 0; i < before.size(); ++i)
        if (!std::ranges::binary_search(places, i))
            after.push_back(before[i]);
    setEntries(change, list, before, after);
    return change.commit(fmt::format("Remove {} from \"{}\"", tracksText(places.size()), what->name));
}

Result<ChangeOutcome> moveInList(Store& store, CollectionId list, std::vector<size_t> places, size_t to) {
    KeptChange change(store);
    const auto what = knownList(store, list);
    if (!what)
        return what.error();
    const std::vector<ListEntry> before = store.collections().entries(list);
    if (!areIn(places, before.size()))
        return invalid(fmt::format("\"{}\" has fewer tracks by now.", what->name));
    std::vector<ListEntry> after, moved;
    size_t at = 0;
    for (size_t i = 0; i < before.size(); ++i) {
        if (i == std::min(to, before.size()))
            at = after.size();
        (std::ranges::binary_search(places, i) ? moved : after).push_back(before[i]);
    }
    if (to >= before.size())
        at = after.size();
    after.insert(after.begin() + static_cast<std::ptrdiff_t>(at), moved.begin(), moved.end());
    setEntries(change, list, before, after);
    return change.commit(fmt::format("Move {} in \"{}\"", tracksText(places.size()), what->name));
}

Result<ChangeOutcome> orderList(Store& store, CollectionId list, const std::vector<size_t>& places) {
    KeptChange change(store);
    const auto what = knownList(store, list);
    if (!what)
        return what.error();
    const std::vector<ListEntry> before = store.collections().entries(list);
    std::vector<size_t> each = places;
    if (!areIn(each, before.size()) || each.size() != before.size() || places.size() != before.size())
        return invalid(fmt::format("\"{}\" has other tracks by now.", what->name));
    std::vector<ListEntry> after;
    for (const size_t i : places)
        after.push_back(before[i]);
    setEntries(change, list, before, after);
    return change.commit(fmt::format("Put \"{}\" in order", what->name));
}

ListView listOf(Store& store, CollectionId list) {
    ListView out;
    out.list = store.collections().find(list);
    std::map<RecordingId, FileId> best; // of those that were asked before
    for (const ListEntry& e : store.collections().entries(list)) {
        const std::vector<FileId> files = store.recordings().filesOf(e.recording);
        if (files.size() <= 1 || std::ranges::find(files, e.file) != files.end()) {
            out.files.push_back(files.size() == 1 ? files.front() : files.empty() ? 0 : e.file);
            continue;
        }
        auto [it, isNew] = best.try_emplace(e.recording, 0);
        if (isNew)
            it->second = recordingOf(store, files.front()).best;
        out.files.push_back(it->second);
    }
    return out;
}

} // namespace moorfrost::library
