// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/files_controller.h"

namespace moorfrost::app {

using library::Store;
using library::WorkRows;

FilesController::FilesController(LibraryAccess& library) : library_(library) {
    feed_.subscribe([this](const bench::Changes& changes) {
        if (!changes.files.empty())
            emit changed(changes.files);
    });
}

void FilesController::withFile(QObject* asker, FileId id, std::function<void(FilePtr)> then) {
    if (FilePtr held = file(id)) {
        then(held);
        return;
    }
    library_.read(
        asker, [id](Store& store) { return store.files().find(id); },
        [then](Result<std::optional<library::FileRecord>> found) {
            then(found && *found ? std::make_shared<library::FileRecord>(std::move(**found)) : nullptr);
        });
}

void FilesController::takeUp(QObject* asker, const std::vector<FileId>& ids, std::function<void()> then) {
    std::vector<FileId> missing;
    for (FileId id : ids)
        if (!known_.contains(id))
            missing.push_back(id);
    if (missing.empty())
        then();
    else
        readAgain(asker, missing, std::move(then));
}

void FilesController::readAgain(QObject* asker, const std::vector<FileId>& ids, std::function<void()> then) {
    library_.read(
        this, [ids](Store& store) { return library::readWorkRows(store, ids); },
        [this, asker = QPointer<QObject>(asker), then](Result<WorkRows> rows) {
            if (rows)
                take(std::move(*rows));
            if (asker && then)
                then();
        });
}

void FilesController::readAllAgain(QObject* asker, std::function<void()> then) {
    library_.read(
        this, [ids = known_.ids()](Store& store) { return library::readWorkRows(store, ids); },
        [this, asker = QPointer<QObject>(asker), then](Result<WorkRows> rows) {
            if (rows)
                take(std::move(*rows), true);
            if (asker && then)
                then();
        });
}

namespace {
bool isSame(const library::FileRecord& a, const library::FileRecord& b) {
    return a.path == b.path && a.state == b.state && a.error == b.error && a.shelf == b.shelf &&
           a.kind == b.kind && a.tags.fields == b.tags.fields;
}
} // namespace

void FilesController::take(WorkRows rows, bool onlyOthers) {
    std::set<FileId> gone(rows.asked.begin(), rows.asked.end());
    bench::Changes changes;
    for (library::FileRecord& f : rows.files) {
        gone.erase(f.id);
        std::vector<int64_t> batches;
        if (auto it = rows.batches.find(f.id); it != rows.batches.end())
            for (const auto& [batch, place] : it->second)
                batches.push_back(batch);
        const FilePtr held = known_.find(f.id);
        if (!onlyOthers || !held || !isSame(*held, f) || known_.batchesOf(f.id) != batches)
            changes.files.insert(f.id);
        known_.put(std::move(f), std::move(batches));
    }
    for (FileId id : gone)
        if (known_.contains(id)) {
            known_.drop(id);
            changes.files.insert(id);
        }
    rows.files.clear();
    emit rowsTaken(rows);
    feed_.publish(std::move(changes));
}

void FilesController::letGo(const std::vector<FileId>& ids) {
    for (FileId id : ids)
        known_.drop(id);
}

} // namespace moorfrost::app
