// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/lists_out_controller.h"

#include "app/shell/text_utils.h"
#include "core/deliver/rows/rows_out.h"
#include "core/exchange/cue_list.h"
#include "core/files/disk.h"
#include "core/files/safe_name.h"
#include "core/library/playlist_match.h"

namespace moorfrost::app {

namespace {

constexpr size_t previewed = 30; // tracks

} // namespace

ListsOutController::ListsOutController(Delivering& delivering, LibraryAccess& library, JobList& jobs,
                                       Messages& messages, LibrarySettings& settings, LibraryIndex& index,
                                       Deliveries& deliveries)
    : delivering_(delivering), library_(library), jobs_(jobs), messages_(messages), index_(index),
      deliveries_(deliveries), layouts_(settings) {
    auto look = [this] { refresh_.look(); };
    connect(&refresh_, &Refresh::ended, this, &ListsOutController::changed);
    connect(&layouts_, &Layouts::changed, this, look);
    connect(&delivering_, &Delivering::changed, this, [this, look] {
        if (delivering_.isAnother())
            title_.clear(); // it was of the tracks of before
        look();
    });
    connect(&index_, &LibraryIndex::changed, this, look);
}

std::string ListsOutController::shownTitle() const {
    return title_.empty() ? ss(delivering_.name()) : title_;
}

Path ListsOutController::proposedName() const {
    const std::string name = shownTitle();
    return files::safeName(name.empty() ? "List" : name, files::NameProfile::Portable, layout().ending());
}

void ListsOutController::setTitle(const std::string& title) {
    title_ = title;
    refresh_.look();
}

void ListsOutController::setFolder(const Path& folder) {
    if (folder == folder_)
        return;
    folder_ = folder;
    refresh_.look();
}

bool ListsOutController::make(int run) {
    delivering_.withFiles(this, [this, run](std::vector<FileId> files) {
        if (!refresh_.isCurrent(run))
            return;
        tracks_ = files.size();
        if (files.size() > previewed)
            files.resize(previewed);
        library_.read(
            this,
            [files = std::move(files), title = shownTitle(), layout = layout(),
             folder = folder_](library::Store& store) {
                return files.empty() ? std::string()
                                     : deliver::listText(
                                           library::playlistOf(store, title, files, folder, layout.places),
                                           layout.form);
            },
            [this, run](Result<std::string> text) {
                if (!refresh_.isCurrent(run))
                    return;
                preview_ = text ? *text : std::string();
                refresh_.end(run);
            });
    });
    return true;
}

void ListsOutController::save(const Path& file, std::function<void(bool)> then) {
    delivering_.withFiles(this, [this, file, then](std::vector<FileId> all) {
        auto files = std::make_shared<const std::vector<FileId>>(std::move(all));
        jobs_.start(
            this, {ss(tr("Writing the list")), work::Priority::Asked},
            [library = library_.file(), files, file, title = shownTitle(),
             layout = layout()](std::stop_token, work::Progress&) -> Result<size_t> {
                auto store = library::Store::open(library);
                if (!store)
                    return store.error();
                const exchange::Playlist list =
                    library::playlistOf(**store, title, *files, file.parent_path(), layout.places);
                if (const Status written = files::writeWhole(file, deliver::listText(list, layout.form));
                    !written)
                    return written.error();
                return list.entries.size();
            },
            [this, file, files, then, name = shownTitle(), layout = layout()](Result<size_t> written) {
                if (!written) {
                    messages_.say(written.error());
                } else {
                    QString told =
                        tr("Saved %n track(s) as %1.", "", static_cast<int>(*written)).arg(shownPath(file));
                    const bool cut =
                        layout.form == deliver::ListForm::Cue && *written > exchange::mostCueTracks;
                    if (cut)
                        told +=
                            " " + tr("A cue sheet holds the first %1 of them.").arg(exchange::mostCueTracks);
                    messages_.say(told, cut);
                    library::Delivery delivery;
                    delivery.way = "list";
                    delivery.title = name.empty() ? file.stem().native() : name;
                    delivery.target = file;
                    delivery.layout = deliver::listLayoutJson(layout);
                    delivery.state = ss(tr("%n track(s)", "", static_cast<int>(*written)));
                    deliveries_.note(std::move(delivery), *files);
                }
                if (then)
                    then(static_cast<bool>(written));
            });
    });
}

void ListsOutController::saveLibrary(const Path& file, std::function<void(bool)> then) {
    const auto searcher = index_.searcher();
    if (!searcher)
        return messages_.say(tr("The library is still being read."), true);
    jobs_.start(
        this, {ss(tr("Writing the whole library")), work::Priority::Asked},
        [library = library_.file(), searcher,
         file](std::stop_token stop, work::Progress& progress) -> Result<deliver::RowsWritten> {
            auto store = library::Store::open(library);
            if (!store)
                return store.error();
            std::vector<FileId> files;
            searcher->all().each([&](library::Row row) { files.push_back(searcher->idOf(row)); });
            const auto* layout = deliver::rowLayoutNamed(deliver::shippedRowLayouts(), "Everything");
            return deliver::writeRows(**store, *layout, files, file, stop, progress);
        },
        [this, file, then](Result<deliver::RowsWritten> written) {
            if (written)
                messages_.say(
                    tr("Saved %n track(s) as %1.", "", static_cast<int>(written->rows)).arg(shownPath(file)));
            else
                messages_.say(written.error());
            if (then)
                then(static_cast<bool>(written));
        });
}

} // namespace moorfrost::app
