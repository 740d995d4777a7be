// SPDX-License-Identifier: GPL-3.0-or-later
// Folders, lists and searches that are kept: as they are in the library, and what a person does with them.
// Every change is journalled, and can be undone at once.
#pragma once

#include <QObject>

#include "app/control/job_list.h"
#include "app/control/kept_changes.h"
#include "core/library/collections.h"
#include "core/library/playlist_match.h"

namespace moorfrost::app {

class CollectionsController : public QObject {
    Q_OBJECT
public:
    CollectionsController(LibraryAccess& library, KeptChanges& changes, JobList& jobs, Messages& messages);

    /// Reads them anew.
    void load();
    const library::CollectionTree& tree() const { return tree_; }
    /// What a list holds. Not called if it cannot be read, which has been said.
    void read(QObject* asker, library::CollectionId list, std::function<void(library::ListView)> then);

    /// `then`: its number.
    void make(const library::Collection& collection, library::CollectionId folder,
              const std::vector<FileId>& files = {}, std::function<void(library::CollectionId)> then = {});
    void change(const library::Collection& collection);
    void place(library::CollectionId id, library::CollectionId from, library::CollectionId to,
               size_t position, bool also);
    void remove(library::CollectionId id, library::CollectionId folder);
    void add(library::CollectionId list, const std::vector<FileId>& files, size_t at = SIZE_MAX,
             bool meant = false);
    void removeFrom(library::CollectionId list, const std::vector<size_t>& places);
    void moveIn(library::CollectionId list, const std::vector<size_t>& places, size_t to);
    void order(library::CollectionId list, const std::vector<size_t>& places);

    /// Where a file is.
    void pathOf(QObject* asker, FileId file, std::function<void(const Path&)> then);
    /// Writes a playlist of these files; what is there already is replaced as a whole.
    void exportPlaylist(const QString& title, const std::vector<FileId>& files, const Path& file,
                        const exchange::PlaceStyle& style);
    struct Import {
        exchange::Playlist playlist;
        std::vector<library::PlaylistMatch> matches;
    };
    /// What a playlist from elsewhere means.
    void readPlaylist(QObject* asker, const Path& file, std::function<void(const Result<Import>&)> then);

signals:
    void changed();

private:
    /// `work` told by nothing but its outcome.
    void make(KeptChanges::Work work, const QString& title);

    LibraryAccess& library_;
    KeptChanges& changes_;
    JobList& jobs_;
    Messages& messages_;
    library::CollectionTree tree_;
};

} // namespace moorfrost::app
