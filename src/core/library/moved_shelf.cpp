// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/moved_shelf.h"

#include <system_error>

#include "core/text/text.h"

namespace moorfrost::library {

namespace {

Path moved(const Path& file, const Shelf& shelf, const Path& to) {
    return to / file.lexically_relative(shelf.path);
}

} // namespace

Result<MovedShelf> lookAtMoved(Store& store, const Shelf& shelf, const Path& to, std::stop_token stop) {
    MovedShelf out;
    for (const ShelfFile& f : store.files().onShelf(shelf.id)) {
        if (stop.stop_requested())
            return Error{ErrorKind::Cancelled, {}, "Stopped."};
        if (f.displaced)
            continue;
        ++out.files;
        std::error_code error;
        out.found += std::filesystem::is_regular_file(moved(f.path, shelf, to), error) ? 1 : 0;
    }
    return out;
}

Status moveShelf(Store& store, const Shelf& shelf, const Path& to) {
    const Path target = to.lexically_normal();
    for (const Shelf& other : store.shelves().all())
        if (other.path == target)
            return Error{ErrorKind::Invalid, target.native(),
                         "\"" + text::forDisplay(target.native()) + "\" is the shelf \"" + other.name +
                             "\" already."};
    if (target.native().starts_with(shelf.path.native() + "/"))
        return Error{ErrorKind::Invalid, target.native(), "A shelf cannot move into itself."};
    Transaction transaction(store.database());
    std::vector<std::pair<FileId, Path>> files;
    std::vector<std::pair<Path, Path>> paths;
    for (const ShelfFile& f : store.files().onShelf(shelf.id)) {
        if (f.displaced)
            continue;
        files.emplace_back(f.id, moved(f.path, shelf, target));
        paths.emplace_back(f.path, files.back().second);
    }
    store.fixity().moveAll(paths);
    store.files().moveAll(files);
    store.shelves().setPath(shelf.id, target);
    // A file is marked anew when it is looked for there.
    std::vector<FileId> ids;
    for (const auto& [id, path] : files)
        ids.push_back(id);
    store.files().setShelf(ids, shelf.id);
    transaction.commit();
    return Done{};
}

} // namespace moorfrost::library
