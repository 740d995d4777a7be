// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/search/library_search.h"

#include "core/library/search/parts.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

/// What a snapshot was made of. The rules of sorting are the locale's.
std::string snapshotRevision(const std::string& revision) {
    return std::string(part::version) + " " + text::localeName() + " " + revision;
}

/// The held columns with everything that the store knows to have changed since they were made.
bool layOver(Store& store, LibrarySearch& held) {
    const std::string now = store.revisions().current();
    auto changed = store.revisions().changedSince(held.columnsRevision);
    if (!changed)
        return false;
    ColumnsBuilder builder;
    for (const FileRecord& file : store.files().findAll(*changed))
        if (file.shelf > 0)
            builder.add(file);
    if (!changed->empty())
        held.searcher = held.searcher->with(*changed, builder.finish());
    held.revision = now;
    held.sortsOtherwise = held.searcher->tellsOtherSortForms();
    return true;
}

LibrarySearch fromSnapshot(Store& store) {
    for (const std::string& revision : store.revisions().known())
        if (auto arena = files::Arena::map(snapshotOf(store.file()), snapshotRevision(revision)))
            return {std::make_shared<Searcher>(std::make_shared<Columns>(arena)), revision, {}};
    return {};
}

} // namespace

std::vector<std::string> revisionsUsed(Store& store, const std::string& columns) {
    std::vector<std::string> out = text::split(store.settings().find(readinessRevisionsKey), " ");
    out.push_back(store.settings().find(auditRevisionKey));
    out.push_back(columns);
    return out;
}

Path snapshotOf(const Path& library) {
    return Path(library) += ".columns";
}

LibrarySearch searchOf(Store& store, const LibrarySearch& held, std::stop_token stop) {
    if (held.searcher && store.revisions().current() == held.revision)
        return held;
    LibrarySearch out = held.searcher ? held : fromSnapshot(store);
    if (out.searcher && layOver(store, out))
        return out;
    out = fromSnapshot(store); // another program may have left a newer one
    if (out.searcher && layOver(store, out))
        return out;
    return searchMadeAnew(store, stop);
}

bool isWorthMakingAnew(const LibrarySearch& held) {
    constexpr size_t most = 2000;
    return held.searcher &&
           (held.sortsOtherwise || held.searcher->changed() > std::min(most, held.searcher->count() / 20));
}

LibrarySearch searchMadeAnew(Store& store, std::stop_token stop) {
    LibrarySearch out;
    out.columnsRevision = store.revisions().begin();
    ColumnsBuilder builder(snapshotOf(store.file()), snapshotRevision(out.columnsRevision));
    store.files().eachPacked([&](const PackedRecord& file) {
        builder.add(file);
        return !stop.stop_requested();
    });
    if (stop.stop_requested())
        return {};
    auto columns = builder.finish();
    if (columns->arena().isMapped()) // it was left
        store.revisions().keep(revisionsUsed(store, out.columnsRevision));
    out.searcher = std::make_shared<Searcher>(columns);
    if (!layOver(store, out)) // more has changed meanwhile than is kept in mind
        return searchMadeAnew(store, stop);
    return out;
}

} // namespace moorfrost::library
