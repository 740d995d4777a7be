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

namespace {

/// Read once more or not: they are the same files in the same state.
bool areSame(const BatchRecords& a, const BatchRecords& b) {
    auto sameFile = [](const FilePtr& x, const FilePtr& y) {
        return x == y || (x->id == y->id && x->state.modifiedNs == y->state.modifiedNs);
    };
    return std::equal(a.pieces.begin(), a.pieces.end(), b.pieces.begin(), b.pieces.end(),
                      [&](const auto& x, const auto& y) {
                          return x.second == y.second ||
                                 std::equal(x.second->begin(), x.second->end(), y.second->begin(),
                                            y.second->end(), sameFile);
                      });
}

} // namespace

void Copies::look(const Records& files) {
    const bool none = !looked_ || looked_->empty();
    const bool same = looked_ ? areSame(*files, *looked_) : files->empty();
    if (looking_ || stopped_ || same || (!index_.searcher() && !files->empty() && none))
        return;
    looked_ = files;
    looking_ = true;
    struct Work {
        Records files;
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
            work->files->each([&](const FilePtr& f) { batch.push_back(f.get()); });
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
