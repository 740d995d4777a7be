// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/unlooked_files.h"

#include <utility>

namespace moorfrost::app {

void UnlookedFiles::take(LibraryAccess& library, QObject* asker,
                         std::shared_ptr<const library::Searcher> searcher,
                         std::function<void(Result<std::vector<library::FileId>>)> then) {
    struct Found {
        std::vector<library::FileId> files;
        std::vector<bool> looked; // with these
    };
    library.read(
        asker,
        [searcher = std::move(searcher), looked = looked_](library::Store&) mutable {
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
        [this, then = std::move(then)](Result<Found> found) {
            if (!found)
                return then(found.error());
            looked_ = std::move(found->looked);
            then(std::move(found->files));
        });
}

} // namespace moorfrost::app
