// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/collections_controller.h"

#include <utility>

#include "app/shell/text_utils.h"

namespace moorfrost::app {

using library::Collection;
using library::CollectionId;
using library::Store;

CollectionsController::CollectionsController(LibraryAccess& library, KeptChanges& changes, JobList& jobs,
                                             Messages& messages)
    : library_(library), changes_(changes), jobs_(jobs), messages_(messages) {
    connect(&changes_, &KeptChanges::collectionsChanged, this, &CollectionsController::load);
}

void CollectionsController::load() {
    library_.read(
        this, [](Store& store) { return library::collectionsOf(store); },
        [this](Result<library::CollectionTree> tree) {
            if (!tree)
                return;
            tree_ = std::move(*tree);
            emit changed(); // a list may hold as many others as before
        });
}

void CollectionsController::read(QObject* asker, CollectionId list,
                                 std::function<void(library::ListView)> then) {
    library_.read(
        asker, [list](Store& store) { return library::listOf(store, list); },
        [then](Result<library::ListView> view) {
            if (view)
                then(std::move(*view));
        });
}

void CollectionsController::make(KeptChanges::Work work, const QString& title) {
    changes_.make(std::move(work), title);
}

void CollectionsController::make(const Collection& collection, CollectionId folder,
                                 const std::vector<FileId>& files, std::function<void(CollectionId)> then) {
    auto made = std::make_shared<Collection>(collection);
    changes_.make(
        [made, folder, files](Store& store) { return library::makeCollection(store, *made, folder, files); },
        tr("New: %1").arg(qs(collection.name)),
        [made, then](bool done) {
            if (done && then)
                then(made->id);
        });
}

void CollectionsController::change(const Collection& collection) {
    make([collection](Store& store) { return library::changeCollection(store, collection); },
         tr("Change %1").arg(qs(collection.name)));
}

void CollectionsController::place(CollectionId id, CollectionId from, CollectionId to, size_t position,
                                  bool also) {
    make([=](Store& store) { return library::placeCollection(store, id, from, to, position, also); },
         also ? tr("Also in another folder") : tr("Move a collection"));
}

void CollectionsController::remove(CollectionId id, CollectionId folder) {
    const Collection* known = tree_.find(id);
    changes_.make([=](Store& store) { return library::removeCollection(store, id, folder); },
                  tr("Remove a collection"),
                  [this, name = known ? qs(known->name) : QString()](bool done) {
                      if (done)
                          messages_.say(tr("\u201C%1\u201D was removed. Ctrl+Z brings it back.").arg(name));
                  });
}

void CollectionsController::add(CollectionId list, const std::vector<FileId>& files, size_t at, bool meant) {
    if (files.empty())
        return;
    const Collection* into = tree_.find(list);
    const QString name = into ? qs(into->name) : QString();
    changes_.make([=](Store& store) { return library::addToList(store, list, files, at, meant); },
                  tr("Add to %1").arg(name),
                  [this, name, n = static_cast<int>(files.size())](bool done) {
                      if (done)
                          messages_.say(tr("%n track(s) added to \u201C%1\u201D.", "", n).arg(name), false);
                  });
}

void CollectionsController::removeFrom(CollectionId list, const std::vector<size_t>& places) {
    make([=](Store& store) { return library::removeFromList(store, list, places); },
         tr("Remove from a list"));
}

void CollectionsController::moveIn(CollectionId list, const std::vector<size_t>& places, size_t to) {
    make([=](Store& store) { return library::moveInList(store, list, places, to); }, tr("Move in a list"));
}

void CollectionsController::order(CollectionId list, const std::vector<size_t>& places) {
    make([=](Store& store) { return library::orderList(store, list, places); }, tr("Put a list in order"));
}

void CollectionsController::pathOf(QObject* asker, FileId file, std::function<void(const Path&)> then) {
    library_.read(
        asker, [file](Store& store) { return store.files().find(file); },
        [then](const Result<std::optional<library::FileRecord>>& found) {
            if (found && *found)
                then((*found)->path);
        });
}

void CollectionsController::exportPlaylist(const QString& title, const std::vector<FileId>& files,
                                           const Path& file, const exchange::PlaceStyle& style) {
    jobs_.start(
        this, {ss(tr("Writing the playlist"))},
        [db = library_.file(), t = ss(title), files, file, style](std::stop_token,
                                                                  work::Progress&) -> Result<size_t> {
            auto store = Store::open(db);
            if (!store)
                return store.error();
            const exchange::Playlist list = library::playlistOf(**store, t, files, file.parent_path(), style);
            if (const Status written = exchange::savePlaylist(list, file); !written)
                return written.error();
            return list.entries.size();
        },
        [this, file](const Result<size_t>& count) {
            if (!count)
                messages_.say(count.error());
            else
                messages_.say(tr("%n track(s) written to \u201C%1\u201D.", "", static_cast<int>(*count))
                                  .arg(shownName(file)),
                              false);
        });
}

void CollectionsController::readPlaylist(QObject* asker, const Path& file,
                                         std::function<void(const Result<Import>&)> then) {
    jobs_.start(
        asker, {ss(tr("Reading the playlist"))},
        [db = library_.file(), file](std::stop_token stop, work::Progress& progress) -> Result<Import> {
            auto playlist = exchange::readPlaylistFile(file);
            if (!playlist)
                return playlist.error();
            auto store = Store::open(db);
            if (!store)
                return store.error();
            Import out;
            out.matches = library::matchPlaylist(**store, *playlist, file.parent_path(), stop, progress);
            out.playlist = std::move(*playlist);
            if (stop.stop_requested())
                return Error{ErrorKind::Cancelled, {}, "Reading the playlist was stopped."};
            return out;
        },
        std::move(then));
}

} // namespace moorfrost::app
