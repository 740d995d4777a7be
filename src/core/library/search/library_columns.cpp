// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/search/library_columns.h"

#include "core/library/search/parts.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {
struct Stopped {};
} // namespace

Path snapshotOf(const Path& library) {
    return Path(library) += ".columns";
}

std::shared_ptr<const Columns> columnsOf(Store& store, std::stop_token stop) {
    const Path snapshot = snapshotOf(store.file());
    // The rules of sorting are the locale's.
    auto stamp = [&] {
        return std::string(part::version) + " " + text::localeName() + " " + store.changes();
    };
    const std::string before = stamp();
    if (auto arena = Arena::map(snapshot, before))
        return std::make_shared<Columns>(arena);
    ColumnsBuilder builder;
    try {
        store.eachFile(true, [&](FileRecord&& file) {
            if (stop.stop_requested())
                throw Stopped();
            builder.add(file);
        });
    } catch (const Stopped&) {
        return nullptr;
    }
    auto columns = builder.finish();
    // Changed while it was read: what was read is shown, but not kept.
    if (stamp() == before)
        columns->arena().save(snapshot, before);
    return columns;
}

} // namespace moorfrost::library
