// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/folder_walk.h"

#include <algorithm>
#include <chrono>

#include "app/shell/text_utils.h"
#include "core/library/read_folders.h"

namespace moorfrost::app {

using library::Store;

namespace {

/// Folders by name, part by part, so that what is in a folder follows it.
bool isBefore(const Path& a, const Path& b) {
    auto x = a.begin(), y = b.begin();
    for (; x != a.end() && y != b.end(); ++x, ++y)
        if (const int order = text::compare(x->native(), y->native()); order != 0)
            return order < 0;
        else if (x->native() != y->native())
            return x->native() < y->native();
    return x == a.end() && y != b.end();
}

/// An Error where it is no folder (any more): what is no folder would be taken for a file.
Status isFolder(const Path& path) {
    std::error_code error;
    if (std::filesystem::is_directory(path, error))
        return Done{};
    return Error{ErrorKind::NotFound, path, "This folder is not there, or cannot be opened."};
}

} // namespace

FolderWalk::FolderWalk(LibraryAccess& library, FilesController& files, DraftsController& drafts,
                       JobList& jobs, Messages& messages)
    : library_(library), files_controller_(files), drafts_(drafts), jobs_(jobs), messages_(messages) {
    counting_.setSingleShot(true);
    counting_.setInterval(60);
    connect(&counting_, &QTimer::timeout, this, &FolderWalk::changed);
    files_controller_.feed().subscribe([this](const bench::Changes& changes) { follow(changes); });
}

void FolderWalk::begin(const Path& root) {
    end();
    root_ = root.lexically_normal();
    if (!root_.has_filename())
        root_ = root_.parent_path();
    looking_ = true;
    const uint64_t walk = ++walk_;
    emit changed();
    jobs_.start(
        this, {ss(tr("Looking for folders in %1").arg(shownName(root_)))},
        [this, walk, root = root_,
         others = others_.get_token()](std::stop_token ended, work::Progress&) -> Result<files::ScanSummary> {
            std::stop_source either;
            const std::stop_callback first(ended, [&] { either.request_stop(); });
            const std::stop_callback second(others, [&] { either.request_stop(); });
            if (Status folder = isFolder(root); !folder)
                return folder.error();
            using Clock = std::chrono::steady_clock;
            files::ScanSummary summary;
            std::set<Path> waiting;
            auto last = Clock::now();
            bool any = false;
            auto hand = [&] {
                std::vector<Path> found(waiting.begin(), waiting.end());
                waiting.clear();
                last = Clock::now();
                any = true;
                // The controllers wait for their jobs before they go.
                QMetaObject::invokeMethod(
                    this, [this, walk, found = std::move(found)] { find(found, walk); },
                    Qt::QueuedConnection);
            };
            files::findFiles({root}, true, either.get_token(), summary,
                             [&](std::vector<files::FoundFile>&& files) {
                                 for (const files::FoundFile& f : files)
                                     waiting.insert(f.path.parent_path());
                                 if (!any || Clock::now() - last > std::chrono::milliseconds(250))
                                     hand();
                             });
            hand();
            return summary;
        },
        [this, walk](Result<files::ScanSummary> summary) {
            if (walk != walk_)
                return;
            if (!summary)
                messages_.say(summary.error());
            else
                for (const Error& e : summary->folders)
                    messages_.say(e);
            // What was found is on its way before this.
            QMetaObject::invokeMethod(
                this,
                [this, walk, good = static_cast<bool>(summary)] {
                    if (walk != walk_)
                        return;
                    looking_ = false;
                    if (folders_.empty() && good)
                        messages_.say(tr("There is no sound in %1.").arg(shownPath(root_)), true);
                    emit changed();
                },
                Qt::QueuedConnection);
        });
}

void FolderWalk::find(const std::vector<Path>& folders, uint64_t walk) {
    if (walk != walk_ || folders.empty())
        return;
    for (const Path& folder : folders) {
        const auto at = std::lower_bound(folders_.begin(), folders_.end(), folder, isBefore);
        if (at == folders_.end() || *at != folder)
            folders_.insert(at, folder);
    }
    if (folder_.empty())
        show(0);
    else
        emit changed();
}

void FolderWalk::end() {
    if (!isOn())
        return;
    others_.request_stop();
    others_ = {};
    ++walk_;
    ++shown_;
    root_.clear();
    folder_.clear();
    folders_.clear();
    files_.clear();
    looking_ = reading_ = false;
    emit changed();
    emit filesChanged();
}

int FolderWalk::current() const {
    const auto at = std::ranges::find(folders_, folder_);
    return folder_.empty() || at == folders_.end() ? -1 : static_cast<int>(at - folders_.begin());
}

void FolderWalk::step(int by) {
    const int next = current() + by;
    if (!isOn() || folders_.empty())
        return;
    if (next < 0)
        messages_.say(tr("This is the first folder."));
    else if (next >= static_cast<int>(folders_.size()))
        messages_.say(looking_ ? tr("The next folder is still being looked for.")
                               : tr("This was the last folder."));
    else
        show(next);
}

void FolderWalk::show(int folder) {
    if (folder < 0 || folder >= static_cast<int>(folders_.size()))
        return;
    folder_ = folders_[static_cast<size_t>(folder)];
    files_.clear();
    reading_ = true;
    const uint64_t shown = ++shown_;
    emit changed();
    emit filesChanged();
    struct Read {
        std::vector<files::ScannedFile> files;
        std::vector<FileId> unchanged;
    };
    jobs_.start(
        this, {ss(tr("Reading %1").arg(shownName(folder_)))},
        [file = library_.file(), folder = folder_](std::stop_token stop,
                                                   work::Progress& progress) -> Result<Read> {
            if (Status there = isFolder(folder); !there)
                return there.error();
            Read out;
            auto read = library::readFolders(file, {folder}, false, stop, progress,
                                             [&out](std::vector<files::ScannedFile>&& some) {
                                                 std::ranges::move(some, std::back_inserter(out.files));
                                             });
            if (!read)
                return read.error();
            if (read->summary.stopped)
                return Error{ErrorKind::Cancelled, {}, "Stopped."};
            if (!read->summary.folders.empty())
                return read->summary.folders.front();
            out.unchanged = std::move(read->unchanged);
            return out;
        },
        [this, shown, folder = folder_](Result<Read> read) {
            if (shown != shown_)
                return;
            if (!read) {
                reading_ = false;
                if (read.error().kind != ErrorKind::Cancelled)
                    messages_.say(read.error());
                emit changed();
                return;
            }
            library_.write(
                this,
                [read = std::move(*read)](Store& store) {
                    std::vector<FileId> ids = store.saveFiles(read.files, 0);
                    ids.insert(ids.end(), read.unchanged.begin(), read.unchanged.end());
                    store.looked().add(ids);
                    return library::readWorkRows(store, ids);
                },
                [this, shown, folder](Result<library::WorkRows> rows) {
                    if (rows)
                        take(folder, shown, std::move(*rows));
                });
        });
}

void FolderWalk::take(const Path& folder, uint64_t shown, library::WorkRows rows) {
    const std::vector<FileId> ids = rows.asked;
    files_controller_.take(std::move(rows)); // what was read is known, whatever is in sight now
    seen_.insert(ids.begin(), ids.end());
    if (shown != shown_)
        return;
    std::vector<std::pair<std::string, FileId>> named;
    for (FileId id : ids)
        if (const FilePtr f = files_controller_.file(id); f && f->path.parent_path() == folder)
            named.emplace_back(text::sortKey(text::forDisplay(f->path.filename().native())), id);
    std::ranges::sort(named);
    files_.clear();
    for (const auto& [name, id] : named)
        files_.push_back(id);
    reading_ = false;
    emit changed();
    emit filesChanged();
}

/// Files may have been written to another place; another batch in sight knows only its own.
void FolderWalk::follow(const bench::Changes& changes) {
    if (changes.batch && !seen_.empty())
        files_controller_.takeUp(this, {seen_.begin(), seen_.end()}, [] {});
    if (!isOn())
        return;
    const auto gone = std::erase_if(files_, [&](FileId id) {
        if (!changes.files.contains(id))
            return false;
        const FilePtr f = files_controller_.file(id);
        return !f || f->path.parent_path() != folder_;
    });
    if (gone > 0)
        emit filesChanged();
    if (!changes.drafts.empty() || !changes.files.empty())
        counting_.start();
}

std::map<Path, int> FolderWalk::drafted() const {
    std::map<Path, int> out;
    for (const auto& [id, fields] : drafts_.session().all())
        if (const FilePtr f = files_controller_.file(id); f && !fields.empty())
            ++out[f->path.parent_path()];
    return out;
}

} // namespace moorfrost::app
