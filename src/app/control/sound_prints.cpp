// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/sound_prints.h"

#include <algorithm>
#include <utility>

#include "app/shell/text_utils.h"
#include "core/work/parallel.h"

namespace moorfrost::app {

namespace {

/// Tells fingerprints inside a job.
struct Ears {
    std::map<FileId, FilePtr> files;
    std::set<FileId> unheard;
    std::shared_ptr<sound::SoundStore> store;
    LibraryAccess* library;

    Result<std::vector<sound::Fingerprint>> operator()(FileId id, const std::vector<double>& speeds) const {
        const auto it = files.find(id);
        if (it == files.end())
            return std::vector<sound::Fingerprint>(speeds.size());
        const bool asItIs = speeds == std::vector<double>{1};
        if (asItIs && !unheard.contains(id)) {
            sound::Fingerprint kept{store->itemsOf(id), it->second->tags.facts.duration};
            return std::vector<sound::Fingerprint>{std::move(kept)};
        }
        auto heard = library::fingerprintsOf(it->second->path, speeds);
        if (heard && asItIs)
            library->write(
                [values = library::keepHeard(*store, {{id, it->second->state, heard->front().items}})](
                    library::Store& s) { s.workedOut().save(library::soundPrintField, values); });
        return heard;
    }
};

} // namespace

SoundPrints::SoundPrints(LibraryAccess& library, LibraryIndex& index, FilesController& files, JobList& jobs)
    : library_(library), index_(index), files_(files), jobs_(jobs),
      store_(std::make_shared<sound::SoundStore>(library::soundsOf(library.file()))) {}

void SoundPrints::prepare(QObject* asker, const std::vector<FileId>& files,
                          std::function<void(matching::PrintsOf)> then) {
    std::map<FileId, FilePtr> all;
    for (FileId id : files)
        if (const FilePtr f = files_.file(id); f && f->readable())
            all[id] = f;
    library_.read(
        asker,
        [files, store = store_](library::Store& library) {
            std::set<FileId> unheard;
            for (const library::FileRecord& f : library::notListenedTo(library, *store, files))
                unheard.insert(f.id);
            return unheard;
        },
        [this, all = std::move(all), then = std::move(then)](Result<std::set<FileId>> known) {
            Ears ears{all, {}, store_, &library_};
            for (const auto& [id, f] : all)
                if (!known || known->contains(id))
                    ears.unheard.insert(id);
            then(std::move(ears));
        });
}

void SoundPrints::look() {
    const library::LibrarySearch& search = index_.search();
    if (stopped_ || !search.searcher)
        return;
    if (listening_) {
        again_ = true;
        return;
    }
    listening_ = true;
    unlooked_.take(library_, this, search, [this](Result<std::vector<FileId>> found) {
        if (found && (!cleaned_ || !found->empty()))
            listen(std::move(*found));
        else
            ended(found ? Result<size_t>(0) : Result<size_t>(found.error()));
    });
}

void SoundPrints::listen(std::vector<FileId> files) {
    jobs_.start(
        this, {ss(tr("Listening to the library")), work::Priority::Background},
        [this, files = std::move(files), store = store_, clean = !std::exchange(cleaned_, true),
         file = library_.file()](std::stop_token stop, work::Progress& progress) -> Result<size_t> {
            auto library = library::Store::open(file);
            if (!library)
                return library.error();
            if (clean)
                library::forgetUnknown(**library, *store);
            return library::listenTo(**library, *store, files, work::halfOfProcessors(), stop, progress,
                                     [this](library::KeptValues&& values) {
                                         library_.write([values = std::move(values)](library::Store& s) {
                                             s.workedOut().save(library::soundPrintField, values);
                                         });
                                     });
        },
        [this](const Result<size_t>& files) { ended(files); });
}

void SoundPrints::ended(const Result<size_t>& files) {
    listening_ = false;
    stopped_ = !files;
    if (files && *files > 0)
        emit heard();
    if (std::exchange(again_, false))
        look();
}

} // namespace moorfrost::app
