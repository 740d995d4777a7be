// SPDX-License-Identifier: GPL-3.0-or-later
// The part of the session that keeps the shelves.
#include "app/shell/session.h"
#include "app/shell/text_utils.h"
#include "core/library/file_check.h"
#include "core/library/read_folders.h"
#include "core/library/store/keeping.h"

namespace moorfrost::app {

using library::Store;

namespace {
/// The innermost shelf that the file is under, 0 for none.
int64_t shelfAround(const Path& file, const std::vector<library::Shelf>& shelves) {
    const library::Shelf* best = nullptr;
    for (const library::Shelf& s : shelves)
        if (library::isUnder(file, {s.path}) &&
            (!best || s.path.native().size() > best->path.native().size()))
            best = &s;
    return best ? best->id : 0;
}
} // namespace

void Session::addShelf(const QString& name, const Path& path) {
    store_->post([n = ss(name), path](Store& store) { store.addShelf(n, path); });
    reload([this] {
        if (!setting(library::readShelvesKey).isEmpty()) // it was one before the library was made anew
            readShelves(shelves_);
    });
}

void Session::renameShelf(int64_t id, const QString& name) {
    store_->post([id, n = ss(name)](Store& store) { store.renameShelf(id, n); });
    reload();
}

void Session::removeShelf(int64_t id) {
    store_->post([id](Store& store) { store.removeShelf(id); });
    reload();
}

void Session::readShelves(const std::vector<library::Shelf>& which) {
    if (which.empty() || readingShelves_)
        return;
    readingShelves_ = true;
    std::vector<Path> roots;
    for (const library::Shelf& s : which)
        roots.push_back(s.path);
    auto outcome = std::make_shared<library::FoldersRead>();
    jobs_.start(
        which.size() == 1 ? tr("Reading the shelf \"%1\"").arg(qs(which.front().name))
                          : tr("Reading %n shelf(s)", "", static_cast<int>(which.size())),
        [this, outcome, roots, shelves = shelves_, library = libraryFile()](std::stop_token stop,
                                                                            work::Progress& progress) {
            *outcome = library::readFolders(
                library, roots, true, stop, progress, [&](std::vector<files::ScannedFile>&& files) {
                    store_->post([shelves, files = std::move(files)](Store& store) {
                        std::map<int64_t, std::vector<files::ScannedFile>> byShelf;
                        for (const files::ScannedFile& f : files)
                            byShelf[shelfAround(f.path, shelves)].push_back(f);
                        for (const auto& [shelf, members] : byShelf)
                            store.saveFiles(members, 0, shelf);
                    });
                });
            store_->post([shelves, outcome](Store& store) {
                std::map<int64_t, std::vector<FileId>> byShelf;
                for (const library::FileRecord& f : store.files(outcome->unchanged))
                    if (int64_t shelf = shelfAround(f.path, shelves); shelf != f.shelf)
                        byShelf[shelf].push_back(f.id);
                for (const auto& [shelf, members] : byShelf)
                    store.setShelf(members, shelf);
            });
        },
        [this, outcome] {
            readingShelves_ = false;
            const files::ScanSummary& s = outcome->summary;
            for (const Error& e : s.folders)
                emit said(tr("%1: %2").arg(shownPath(e.path), qs(e.message)), true);
            if (!s.stopped && !setting(library::readShelvesKey).isEmpty())
                setSetting(library::readShelvesKey, {});
            QString text = s.stopped ? tr("Stopped.") : tr("The shelves were read.");
            text += " " + tr("%n file(s) were new to the library or changed,", "", static_cast<int>(s.read)) +
                    " " + tr("%n as they were.", "", static_cast<int>(s.unchanged));
            emit said(text, false);
            reload();
        });
}

} // namespace moorfrost::app
