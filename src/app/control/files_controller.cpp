// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/files_controller.h"

#include <algorithm>

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

namespace {

struct Held {
    FilePtr file;
    std::vector<int64_t> batches;
};

bool isAsHeld(const Held& held, const library::FileRecord& f, const WorkRows& rows) {
    const library::FileRecord& h = *held.file;
    const auto in = rows.batches.find(f.id);
    const size_t batches = in == rows.batches.end() ? 0 : in->second.size();
    return h.path == f.path && h.state == f.state && h.error == f.error && h.shelf == f.shelf &&
           h.kept == f.kept && h.absent == f.absent && h.tags.fields == f.tags.fields &&
           batches == held.batches.size() &&
           std::ranges::all_of(held.batches, [&](int64_t b) { return in->second.contains(b); });
}

/// Leaves out the files that are as they are held.
void keepOthers(WorkRows& rows, const std::map<FileId, Held>& held) {
    std::set<FileId> same;
    for (const library::FileRecord& f : rows.files)
        if (isAsHeld(held.at(f.id), f, rows))
            same.insert(f.id);
    std::erase_if(rows.files, [&](const library::FileRecord& f) { return same.contains(f.id); });
    std::erase_if(rows.asked, [&](FileId id) { return same.contains(id); });
}

} // namespace

void FilesController::readAllAgain(QObject* asker, std::function<void()> then) {
    std::map<FileId, Held> held;
    for (FileId id : known_.ids())
        held[id] = {known_.find(id), known_.batchesOf(id)};
    library_.read(
        this,
        [held = std::move(held)](Store& store) {
            std::vector<FileId> ids;
            for (const auto& [id, file] : held)
                ids.push_back(id);
            WorkRows rows = library::readWorkRows(store, ids);
            keepOthers(rows, held);
            return rows;
        },
        [this, asker = QPointer<QObject>(asker), then](Result<WorkRows> rows) {
            if (rows)
                take(std::move(*rows));
            if (asker && then)
                then();
        });
}

void FilesController::take(WorkRows rows) {
    std::set<FileId> gone(rows.asked.begin(), rows.asked.end());
    bench::Changes changes;
    for (library::FileRecord& f : rows.files) {
        gone.erase(f.id);
        std::vector<int64_t> batches;
        if (auto it = rows.batches.find(f.id); it != rows.batches.end())
            for (const auto& [batch, place] : it->second)
                batches.push_back(batch);
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
