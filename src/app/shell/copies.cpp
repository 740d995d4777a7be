// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/copies.h"

#include <QPointer>

#include <algorithm>

namespace moorfrost::app {

using library::FileId;
using library::FileRecord;
using library::Store;

const Copies::Copy* Copies::of(FileId file) const {
    auto it = copies_.find(file);
    return it == copies_.end() ? nullptr : &it->second;
}

void Copies::look(const Files& files) {
    const bool none = !looked_ || looked_->empty();
    const bool same =
        looked_ ? looked_ == files ||
                      std::equal(files->begin(), files->end(), looked_->begin(), looked_->end(),
                                 [](auto& a, auto& b) {
                                     return a == b ||
                                            (a->id == b->id && a->state.modifiedNs == b->state.modifiedNs);
                                 })
                : files->empty();
    if (looking_ || stopped_ || same || (!index_.searcher() && !files->empty() && none))
        return;
    looked_ = files;
    looking_ = true;
    struct Work {
        Files files;
        std::shared_ptr<const library::Searcher> searcher;
        library::SameSound same;
        std::map<FileId, Copy> copies;
    };
    auto work = std::make_shared<Work>();
    work->files = files;
    work->searcher = index_.searcher();
    jobs_.start(
        tr("Looking for the same sound elsewhere"),
        [work, library = store_.file()](std::stop_token stop, work::Progress& progress) {
            std::vector<const FileRecord*> batch;
            for (const auto& f : *work->files)
                batch.push_back(f.get());
            work->same = library::findSameSound(library, batch, work->searcher.get(), stop, progress);
            if (work->same.others.empty())
                return;
            auto store = Store::open(library);
            if (!store)
                return;
            for (const auto& [id, others] : work->same.others)
                if (auto other = (*store)->file(others.front()))
                    work->copies[id] = {other->path, other->shelf > 0, others.size()};
        },
        [this, self = QPointer(this), work] {
            if (!self)
                return;
            looking_ = false;
            stopped_ = work->same.stopped;
            if (!work->same.essences.empty())
                store_.post([essences = work->same.essences](Store& store) {
                    store.keep(library::essenceField, essences);
                });
            if (std::exchange(copies_, std::move(work->copies)) != copies_)
                emit changed();
            emit looked();
        });
}

} // namespace moorfrost::app
