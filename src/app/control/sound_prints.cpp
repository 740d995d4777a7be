// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/sound_prints.h"

#include <algorithm>
#include <mutex>
#include <thread>
#include <utility>

#include "app/shell/text_utils.h"
#include "core/sandbox/parser_pool.h"
#include "core/work/parallel.h"

namespace moorfrost::app {

namespace {

constexpr size_t portion = 64;              // files that are kept together
constexpr double secondsAtOtherSpeeds = 60; // of sound: many fingerprints are made of it

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
        auto heard = sandbox::ParserPool::shared().fingerprintsOf(
            it->second->path, speeds, asItIs ? sound::mostSeconds : secondsAtOtherSpeeds, {});
        if (heard && asItIs)
            library->write(
                [values = library::keepHeard(*store, {{id, it->second->state, heard->front().items}})](
                    library::Store& s) { s.workedOut().save(library::soundPrintField, values); });
        return heard;
    }
};

/// Half of the processors, so that the other half is left to whoever works.
unsigned earsAtOnce() {
    return std::clamp(std::thread::hardware_concurrency() / 2, 1u, 4u);
}

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
    const auto searcher = index_.searcher();
    if (stopped_ || !searcher)
        return;
    if (listening_) {
        again_ = true;
        return;
    }
    if (cleaned_ && searcher->count() == lookedAt_)
        return; // nothing has come
    auto wanted = std::make_shared<std::vector<FileId>>();
    lookedAt_ = searcher->count();
    searcher->all().each([&](library::Row row) {
        if (searcher->has(row, library::Absent) || searcher->has(row, library::Unreadable))
            return;
        const auto id = static_cast<size_t>(searcher->idOf(row));
        if (id >= looked_.size())
            looked_.resize(id + 1);
        if (!looked_[id])
            wanted->push_back(static_cast<FileId>(id));
        looked_[id] = true;
    });
    if (cleaned_ && wanted->empty())
        return;
    listening_ = true;
    jobs_.start(
        this, {ss(tr("Listening to the library")), work::Priority::Background},
        [this, wanted, store = store_, clean = !std::exchange(cleaned_, true),
         file = library_.file()](std::stop_token stop, work::Progress& progress) -> Result<size_t> {
            auto library = library::Store::open(file);
            if (!library)
                return library.error();
            if (clean)
                library::forgetUnknown(**library, *store);
            progress.begin(wanted->size());
            size_t heard = 0;
            for (size_t from = 0; from < wanted->size(); from += portion) {
                const std::vector<FileId> ids(
                    wanted->begin() + static_cast<std::ptrdiff_t>(from),
                    wanted->begin() + static_cast<std::ptrdiff_t>(std::min(wanted->size(), from + portion)));
                const std::vector<library::FileRecord> files = library::notListenedTo(**library, *store, ids);
                std::vector<library::HeardFile> some;
                std::mutex mutex;
                work::inParallel(
                    files.size(),
                    [&](size_t i) {
                        if (stop.stop_requested())
                            return;
                        auto prints = sandbox::ParserPool::shared().fingerprintsOf(files[i].path, {1},
                                                                                   sound::mostSeconds, stop);
                        progress.stepPath(files[i].path);
                        if (!prints && prints.error().kind == ErrorKind::Cancelled)
                            return;
                        // What cannot be decoded has nothing to tell; it is heard again when it has changed.
                        std::lock_guard lock(mutex);
                        some.push_back({files[i].id, files[i].state,
                                        prints ? std::move(prints->front().items) : std::vector<uint32_t>()});
                    },
                    earsAtOnce());
                for (size_t i = files.size(); i < ids.size(); ++i)
                    progress.step({});
                heard += some.size();
                if (!some.empty())
                    library_.write([values = library::keepHeard(*store, std::move(some))](library::Store& s) {
                        s.workedOut().save(library::soundPrintField, values);
                    });
                if (stop.stop_requested())
                    return Error{ErrorKind::Cancelled, {}, "It was stopped."};
            }
            store->fold().ignore(); // a disk that does not take it leaves the log
            return heard;
        },
        [this](const Result<size_t>& files) {
            listening_ = false;
            stopped_ = !files;
            if (files && *files > 0)
                emit heard();
            if (std::exchange(again_, false))
                look();
        });
}

} // namespace moorfrost::app
