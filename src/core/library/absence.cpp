// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/absence.h"

#include <algorithm>
#include <map>
#include <set>
#include <system_error>
#include <utility>

#include "core/tags/packed.h"

namespace moorfrost::library {

namespace {

bool isGone(const Path& path) {
    std::error_code error;
    const auto status = std::filesystem::symlink_status(path, error);
    // Where it cannot be told (no right to look, a failing disk) nothing is said.
    return status.type() == std::filesystem::file_type::not_found;
}

/// The one file of the same size and time that has the same content, is there, and is new: known for less
/// long, in no batch, without drafts.
FileId movedTo(Store& store, FileId missed, const std::vector<FileId>& sameState) {
    const auto file = store.files().find(missed);
    FileId found = 0;
    for (FileId id : sameState) {
        const auto other = store.files().find(id);
        if (!file || !other || other->id < missed || !(other->state == file->state) ||
            tags::packed(other->tags) != tags::packed(file->tags) ||
            !store.batches().placesOf({id}).empty() || store.drafts().has(id) ||
            store.recordings().isKept(id))
            continue;
        if (found != 0) // two that are alike: neither is taken for it
            return 0;
        found = id;
    }
    return found;
}

} // namespace

size_t AbsenceLook::stillMissed() const {
    std::set<FileId> missed(gone.begin(), gone.end());
    for (const auto& [id, now] : followed)
        missed.erase(id);
    return missed.size();
}

AbsenceLook lookForAbsent(Store& store, const std::vector<Shelf>& shelves, std::stop_token stop,
                          work::Progress& progress) {
    AbsenceLook out;
    std::map<std::pair<uint64_t, int64_t>, std::vector<FileId>> there; // by size and time of change
    std::vector<std::pair<FileId, files::FileState>> missed;
    for (const Shelf& shelf : shelves) {
        std::error_code error;
        if (!std::filesystem::is_directory(shelf.path, error))
            continue;
        for (const ShelfFile& f : store.files().onShelf(shelf.id)) {
            if (stop.stop_requested()) {
                out.stopped = true;
                return out;
            }
            if (f.displaced)
                continue;
            if (!isGone(f.path)) {
                there[{f.state.size, f.state.modifiedNs}].push_back(f.id);
                if (f.absent)
                    out.back.push_back(f.id);
            } else {
                missed.emplace_back(f.id, f.state);
                if (!f.absent)
                    out.gone.push_back(f.id);
            }
            progress.stepPath(f.path);
        }
    }
    for (const auto& [id, state] : missed)
        if (auto same = there.find({state.size, state.modifiedNs}); same != there.end())
            if (const FileId now = movedTo(store, id, same->second); now != 0) {
                out.followed.emplace_back(id, now);
                std::erase(same->second, now);
            }
    return out;
}

void noteAbsent(Store& store, const AbsenceLook& look, int64_t now) {
    Transaction transaction(store.database());
    std::vector<FileId> gone;
    for (const FileRecord& f : store.files().findAll(look.gone))
        if (isGone(f.path))
            gone.push_back(f.id);
    store.files().setAbsent(gone, now);
    std::vector<FileId> back;
    for (const FileRecord& f : store.files().findAll(look.back))
        if (!isGone(f.path))
            back.push_back(f.id);
    store.files().setAbsent(back, 0);
    for (const auto& [missed, row] : look.followed) {
        const auto from = store.files().find(missed), to = store.files().find(row);
        if (!from || !to || !isGone(from->path) || isGone(to->path))
            continue;
        store.files().forget(row);
        store.fixity().moveAll({{from->path, to->path}});
        store.files().move(missed, to->path);
        store.files().setShelf({missed}, to->shelf);
    }
    transaction.commit();
}

} // namespace moorfrost::library
