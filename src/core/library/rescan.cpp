// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/rescan.h"

#include <ctime>

#include "core/library/writing.h"

namespace moorfrost::library {

Result<Rescan> rescan(Store& store, const std::vector<Shelf>& shelves, std::stop_token stop,
                      work::Progress& progress) {
    Rescan out;
    std::vector<Path> roots;
    for (const Shelf& s : shelves)
        if (isThere(s, store.files().countOnShelf(s.id) > 0))
            roots.push_back(s.path);
    const std::vector<Shelf> all = store.shelves().all();
    const KnownStates known = knownStates(store);
    std::vector<files::ScannedFile> changed; // the store belongs to this thread
    auto read = readFolders(
        store.file(), roots, true, stop, progress,
        [&](std::vector<files::ScannedFile>&& some) {
            changed.insert(changed.end(), std::make_move_iterator(some.begin()),
                           std::make_move_iterator(some.end()));
        },
        {}, &known);
    if (!read)
        return read.error();
    {
        Transaction transaction(store.database());
        for (const files::ScannedFile& f : changed)
            store.files().save(f, shelfOf(all, f.path));
        transaction.commit();
    }
    out.summary = std::move(read->summary);
    if (out.summary.stopped)
        return out;
    out.absence = lookForAbsent(store, shelves, stop, progress);
    for (const Followed& f : out.absence.followed)
        if (const auto from = store.files().find(f.missed), to = store.files().find(f.now); from && to)
            out.moves.push_back({from->path, to->path, f.by});
    if (!out.absence.stopped)
        noteAbsent(store, out.absence, static_cast<int64_t>(std::time(nullptr)));
    return out;
}

} // namespace moorfrost::library
