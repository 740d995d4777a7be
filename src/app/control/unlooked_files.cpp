// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/unlooked_files.h"

#include <utility>

namespace moorfrost::app {

void UnlookedFiles::take(LibraryAccess& library, QObject* asker, const library::LibrarySearch& search,
                         std::function<void(Result<std::vector<library::FileId>>)> then) {
    struct Found {
        std::vector<library::FileId> files;
        std::vector<bool> looked; // with these
    };
    const std::string since = revision_.empty() ? search.columnsRevision : revision_;
    library.read(
        asker,
        [searcher = search.searcher, looked = looked_, since](library::Store& store) mutable {
            // Those that were changed since the columns were made are few: they are asked for again each
            // time.
            if (const auto changed = store.revisions().changedSince(since)) {
                for (const library::FileId id : *changed)
                    if (static_cast<size_t>(id) < looked.size())
                        looked[static_cast<size_t>(id)] = false;
            } else {
                looked.clear(); // it is not known any more which they are
            }
            Found out;
            searcher->all().each([&](library::Row row) {
                if (searcher->has(row, library::Absent) || searcher->has(row, library::Unreadable))
                    return;
                const auto id = static_cast<size_t>(searcher->idOf(row));
                if (id >= looked.size())
                    looked.resize(id + 1);
                if (!looked[id])
                    out.files.push_back(static_cast<library::FileId>(id));
                looked[id] = true;
            });
            out.looked = std::move(looked);
            return out;
        },
        [this, revision = search.columnsRevision, then = std::move(then)](Result<Found> found) {
            if (!found)
                return then(found.error());
            looked_ = std::move(found->looked);
            revision_ = revision;
            then(std::move(found->files));
        });
}

} // namespace moorfrost::app
