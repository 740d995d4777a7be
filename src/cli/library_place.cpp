// SPDX-License-Identifier: GPL-3.0-or-later
// library: where it lies, a copy for another machine, and taking such a copy for one's own.
#include <fmt/format.h>

#include "cli/common.h"
#include "cli/json_out.h"
#include "core/library/carry_library.h"
#include "core/library/moved_shelf.h"
#include "core/library/own_library.h"
#include "core/library/store/store.h"
#include "core/text/text.h"

namespace moorfrost::cli {

namespace {

constexpr int wrongly = 2;

int fail(const Error& error) {
    say(error.message);
    return 1;
}

int tellWhere(const Path& library) {
    const library::LibraryBulk bulk = library::bulkOf(library);
    Json out;
    putPath(out, library, "library");
    out["files"] = bulk.files;
    out["bytes"] = bulk.bytes;
    print(out);
    return 0;
}

int followShelf(const Options& options) {
    auto store = openLibrary(options);
    if (!store)
        return 1;
    for (const library::Shelf& shelf : store->shelves().all()) {
        if (shelf.name != options.shelf && shelf.path != Path(options.shelf))
            continue;
        const Path to = std::filesystem::absolute(options.name);
        const auto look = library::lookAtMoved(*store, shelf, to, {});
        if (!look)
            return fail(look.error());
        Json out;
        out["shelf"] = shelf.name;
        putPath(out, to, "folder");
        out["files"] = look->files;
        out["found"] = look->found;
        out["followed"] = !options.dryRun && (look->found > 0 || look->files == 0);
        if (out["followed"].get<bool>())
            if (const Status moved = library::moveShelf(*store, shelf, to); !moved)
                return fail(moved.error());
        print(out);
        return look->found > 0 || look->files == 0 ? 0 : 1;
    }
    say("There is no shelf \"" + options.shelf + "\".");
    return wrongly;
}

} // namespace

int libraryPlace(const Options& options) {
    const bool needsFolder = options.step != "where";
    if (needsFolder && options.name.empty()) {
        say("Say which folder.");
        return wrongly;
    }
    if (options.step == "shelf")
        return followShelf(options);
    work::Progress progress;
    if (options.step == "bring") {
        const auto carried =
            library::bringLibrary(std::filesystem::absolute(options.name), true, {}, progress);
        if (!carried)
            return fail(carried.error());
        return tellWhere(*carried);
    }
    const Result<Path> library = options.library.empty()
                                     ? library::ownLibrary()
                                     : Result<Path>(std::filesystem::absolute(options.library));
    if (!library)
        return fail(library.error());
    if (options.step == "where")
        return tellWhere(*library);
    const auto copied =
        library::carryLibrary(*library, std::filesystem::absolute(options.name), {}, progress);
    return copied ? tellWhere(*copied) : fail(copied.error());
}

} // namespace moorfrost::cli
