// SPDX-License-Identifier: GPL-3.0-or-later
// The part of the session that fills batches: bringing in, sending to the bench, taking out.
#include <QDate>
#include <QLocale>

#include <unordered_set>

#include "app/shell/session.h"
#include "app/shell/text_utils.h"
#include "core/library/read_folders.h"

namespace moorfrost::app {

using library::Store;

void Session::bringIn(const std::vector<Path>& paths, bool subfolders,
                      const std::set<audio::Format>& formats) {
    if (paths.empty())
        return;
    QString title = paths.size() == 1 ? shownName(paths.front().has_filename() ? paths.front()
                                                                               : paths.front().parent_path())
                                      : tr("%n place(s)", "", static_cast<int>(paths.size()));
    QStringList recent = recentFolders();
    for (const Path& p : paths) {
        if (!text::isUtf8(p.native()))
            continue; // remembered as text
        recent.removeAll(qs(p.native()));
        recent.prepend(qs(p.native()));
    }
    setSetting("recent folders", recent.mid(0, 8).join('\n'));
    QString batchTitle = tr("%1, %2").arg(title, QLocale().toString(QDate::currentDate(), "d MMM"));

    struct Shared {
        library::FoldersRead read;
        int64_t batch = 0;
        std::vector<FileId> ids; // on the thread of the store
    };
    auto shared = std::make_shared<Shared>();
    shared->batch = batch_;
    // The batch comes first on the store's thread, so that every later task there finds it.
    if (batch_ == 0)
        store_->post([this, shared, n = ss(batchTitle)](Store& store) {
            shared->batch = store.addBatch(n);
            later([this, shared, n] {
                batch_ = shared->batch;
                batches_.push_back({batch_, n, 0});
                setSetting("batch", QString::number(batch_));
                emit batchesChanged();
            });
        });
    auto some = [this, shared](std::vector<files::ScannedFile>&& files) {
        store_->post([this, shared, files = std::move(files)](Store& store) {
            auto records = std::make_shared<std::vector<library::FileRecord>>(
                store.files(store.saveFiles(files, shared->batch)));
            for (const library::FileRecord& r : *records)
                shared->ids.push_back(r.id);
            later([this, shared, records] {
                if (shared->batch == batch_)
                    addToBatch(std::move(*records));
            });
        });
    };
    jobs_.start(
        tr("Reading %1").arg(title),
        [shared, paths, subfolders, formats, some, library = libraryFile()](std::stop_token stop,
                                                                            work::Progress& progress) {
            std::function<bool(const files::FoundFile&)> wanted;
            if (!formats.empty())
                wanted = [&formats](const files::FoundFile& f) {
                    return formats.contains(audio::formatByExtension(f.path));
                };
            shared->read = library::readFolders(library, paths, subfolders, stop, progress, some, wanted);
        },
        [this, shared, paths] {
            for (const Error& e : shared->read.summary.folders)
                emit said(tr("%1: %2").arg(shownPath(e.path), qs(e.message)), true);
            if (shared->read.summary.stopped)
                emit said(
                    tr("Stopped. %n file(s) were read.", "", static_cast<int>(shared->read.summary.read)),
                    false);
            std::vector<FileId> missing; // of those that are as they were, but not of the batch yet
            for (FileId id : shared->read.unchanged)
                if (!places_.contains(id) || !file(id))
                    missing.push_back(id);
            store_->post([this, shared, paths, missing](Store& store) {
                const std::vector<FileId>& same = shared->read.unchanged;
                store.addToBatch(shared->batch, same);
                store.noteOrigins(shared->batch, paths);
                int shelved = 0;
                for (const library::FileRecord& f : store.files(same))
                    shelved += f.shelf > 0;
                auto records = std::make_shared<std::vector<library::FileRecord>>(store.files(missing));
                shared->ids.insert(shared->ids.end(), missing.begin(), missing.end());
                auto kept = std::make_shared<Kinds::Kept>(Kinds::Kept::of(store, shared->ids));
                later([this, shared, records, kept, shelved, n = static_cast<int>(same.size())] {
                    if (n > 0) {
                        QString text = tr("%n file(s) are as they were, and were not read again.", "", n);
                        if (shelved > 0)
                            text += " " + tr("%n of them are in the library already.", "", shelved);
                        emit said(text, false);
                    }
                    if (shared->batch != batch_)
                        return;
                    kinds_.add(*kept);
                    addToBatch(std::move(*records));
                    listenToBatch();
                    readAlong();
                    index_.refresh();
                });
            });
        });
}

/// They are sorted with the others.
void Session::addToBatch(std::vector<library::FileRecord>&& files) {
    if (files.empty())
        return;
    for (library::FileRecord& r : files) {
        const FileId id = r.id;
        const bool readable = r.readable();
        staleRecords_.insert(BatchRecords::pieceOf(id));
        files_[id] = std::make_shared<library::FileRecord>(std::move(r));
        kinds_.glance(files_[id]);
        if (!places_.contains(id) || !readable)
            places_.put(id, {}, false);
        places_.touchFile(id);
        unsorted_.insert(id);
    }
    formSleeves();
}

void Session::readAlong() {
    struct Work {
        Records files;
        Along along;
    };
    auto work = std::make_shared<Work>();
    work->files = batchRecords();
    const int run = ++alongRun_;
    if (work->files->empty()) {
        along_ = std::make_shared<Along>();
        return;
    }
    jobs_.start(
        tr("Looking at what goes along"),
        [work](std::stop_token stop, work::Progress& progress) {
            std::set<Path> folders;
            std::unordered_set<std::string> known; // sound, whatever their names
            work->files->each([&](const FilePtr& f) {
                folders.insert(f->path.parent_path());
                known.insert(f->path.native());
            });
            progress.begin(folders.size());
            for (const Path& folder : folders) {
                if (stop.stop_requested())
                    return;
                std::vector<files::OtherFile> others = files::otherFilesIn(folder);
                std::erase_if(others, [&](const auto& o) { return known.contains(o.path.native()); });
                if (!others.empty())
                    work->along[folder] = std::move(others);
                progress.stepPath(folder);
            }
        },
        [this, work, run] {
            if (run != alongRun_ || *along_ == work->along)
                return;
            along_ = std::make_shared<Along>(std::move(work->along));
            emit alongChanged();
        });
}

void Session::removeFromBatch(const std::vector<FileId>& files) {
    std::set<FileId> gone(files.begin(), files.end());
    drafts_.dropAll("Remove from the batch", gone);
    drafts_.forgetHistory();
    store_->post([batch = batch_, files](Store& store) { store.removeFromBatch(batch, files); });
    reload();
}

void Session::sendToBench(const std::vector<FileId>& files) {
    if (files.empty())
        return;
    auto send = [this, files](int64_t batch) {
        store_->post([batch, files](Store& store) { store.sendToBatch(batch, files); });
        reload([this, n = files.size()] {
            sortIntoSleeves();
            emit said(tr("%n file(s) sent to the bench.", "", static_cast<int>(n)), false);
        });
    };
    if (batch_ != 0) {
        send(batch_);
        return;
    }
    QString name = tr("From the library, %1").arg(QLocale().toString(QDate::currentDate(), "d MMM"));
    store_->post([this, send, n = ss(name)](Store& store) {
        int64_t id = store.addBatch(n);
        later([this, send, id] {
            batch_ = id;
            send(id);
        });
    });
}

} // namespace moorfrost::app
