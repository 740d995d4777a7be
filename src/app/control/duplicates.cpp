// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/duplicates.h"

#include <utility>

#include "app/shell/text_utils.h"

namespace moorfrost::app {

using library::FileRecord;
using library::Store;

Duplicates::Duplicates(LibraryAccess& library, FilesController& files, LibraryIndex& index, JobList& jobs,
                       Batch batch)
    : library_(library), files_(files), index_(index), jobs_(jobs), batch_(std::move(batch)) {
    files_.feed().subscribe([this](const bench::Changes& changes) {
        stale_ = stale_ || changes.batch || !changes.files.empty();
        if (changes.batch)
            stopped_ = false;
    });
}

const Duplicates::Other* Duplicates::of(FileId file) const {
    auto it = others_.find(file);
    return it == others_.end() ? nullptr : &it->second;
}

void Duplicates::look() {
    if (looking_ || stopped_ || !stale_ || !index_.searcher())
        return;
    stale_ = false;
    looking_ = true;
    std::vector<FilePtr> files;
    for (FileId id : batch_())
        if (FilePtr f = files_.file(id))
            files.push_back(std::move(f));
    struct Found {
        std::map<FileId, Other> others;
        bool stopped = false;
    };
    jobs_.start(
        this, {ss(tr("Looking for the same sound elsewhere")), work::Priority::Background},
        [this, files, searcher = index_.searcher(),
         file = library_.file()](std::stop_token stop, work::Progress& progress) -> Result<Found> {
            std::vector<const FileRecord*> batch;
            for (const FilePtr& f : files)
                batch.push_back(f.get());
            auto same = library::findAudioDuplicates(
                file, batch, searcher.get(), stop, progress, [this](library::KeptValues&& essences) {
                    library_.write([essences = std::move(essences)](Store& store) {
                        store.workedOut().save(library::essenceField, essences);
                    });
                });
            if (!same)
                return same.error();
            Found found{{}, same->stopped};
            if (same->others.empty())
                return found;
            auto store = Store::open(file);
            if (!store)
                return store.error();
            for (const auto& [id, others] : same->others)
                if (auto other = (*store)->files().find(others.front()))
                    found.others[id] = {other->path, other->shelf > 0, others.size()};
            return found;
        },
        [this](Result<Found> found) {
            looking_ = false;
            stopped_ = found ? found->stopped : true; // the library has trouble: not again and again
            if (found && std::exchange(others_, std::move(found->others)) != others_)
                emit changed();
            look();
        });
}

} // namespace moorfrost::app
