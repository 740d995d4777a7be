// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/worse_files.h"

#include <set>

namespace moorfrost::app {

const std::vector<WorseFiles::Worse>& WorseFiles::of(int disc) const {
    static const std::vector<Worse> none;
    const auto it = worse_.find(disc);
    return it == worse_.end() ? none : it->second;
}

void WorseFiles::forget(int disc) {
    if (worse_.erase(disc) > 0)
        emit changed();
}

void WorseFiles::look(int disc, const std::vector<std::pair<FileId, FileId>>& pairs) {
    forget(disc);
    if (pairs.empty())
        return;
    using Found = std::vector<std::pair<library::FileRecord, FileId>>;
    library_.read(
        this,
        [pairs](library::Store& store) {
            Found out;
            std::set<FileId> taken;
            for (const auto& [there, ripped] : pairs) {
                auto old = store.files().find(there), fresh = store.files().find(ripped);
                if (!old || !fresh || !taken.insert(there).second)
                    continue;
                const bool lossy = old->tags.facts.bitDepth == 0;
                if (lossy && old->absent == 0 && library::isBetter(*fresh, *old))
                    out.emplace_back(std::move(*old), ripped);
            }
            return out;
        },
        [this, disc](Result<Found> found) {
            if (!found || found->empty())
                return;
            for (auto& [record, ripped] : *found)
                worse_[disc].push_back({std::make_shared<library::FileRecord>(std::move(record)), ripped});
            emit changed();
        });
}

void WorseFiles::replace(int disc, const QString& by) {
    std::vector<FilePtr> files;
    std::map<FileId, std::vector<FileId>> groups;
    for (const Worse& w : of(disc)) {
        files.push_back(w.file);
        groups[w.better].push_back(w.file->id);
    }
    const QString title = tr("Replace %n file(s) by %1", "", static_cast<int>(files.size())).arg(by);
    if (files.empty() || !writing_.moveToTrash(title, files))
        return;
    for (auto& [better, worse] : groups) { // what was given to them belongs to what was ripped
        worse.push_back(better);
        recordings_.merge(worse);
    }
    forget(disc);
}

} // namespace moorfrost::app
