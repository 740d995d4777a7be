// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/meant.h"

#include <fmt/format.h>

#include "cli/named.h"
#include "core/deliver/sheet_subject.h"
#include "core/library/collections.h"
#include "core/library/search/library_search.h"
#include "core/text/text.h"

namespace moorfrost::cli {

std::optional<Meant> tracksMeant(library::Store& store, const Options& options) {
    Meant out;
    const int ways =
        !options.query.empty() + !options.list.empty() + !options.edition.empty() + !options.paths.empty();
    if (ways != 1) {
        say("Of what? One of these is expected: files that the library knows, --search, --list or "
            "--release.");
        return std::nullopt;
    }
    if (!options.edition.empty()) {
        const auto release = releaseNamed(store, options.edition);
        if (!release)
            return std::nullopt;
        out.files = deliver::filesOf(store, {{}, *release});
    } else if (!options.list.empty()) {
        const library::CollectionTree tree = library::collectionsOf(store);
        const library::CollectionId id = tree.byPath(options.list);
        if (id == 0) {
            say("There is no list \"" + options.list +
                "\", or several are called so: give its folders, too.");
            return std::nullopt;
        }
        const library::ListView list = library::listOf(store, id);
        for (const library::FileId file : list.files)
            if (file != 0)
                out.files.push_back(file);
        out.name = list.list.name;
    } else if (!options.query.empty()) {
        const auto searcher = library::searchOf(store).searcher;
        const auto parsed =
            library::parseQuery(options.query == "*" ? "" : options.query, searcher->customFields());
        if (parsed.error) {
            say(parsed.error->sentence);
            return std::nullopt;
        }
        for (const library::Row row : searcher->ordered(searcher->find(parsed.query), {}))
            out.files.push_back(searcher->idOf(row));
        out.name = options.query == "*" ? "" : options.query;
    } else {
        for (const Path& path : pathsOf(options)) {
            const library::FileId file =
                store.files().idOf(std::filesystem::absolute(path).lexically_normal());
            if (file == 0) {
                say("\"" + text::forDisplay(path.native()) + "\" is not in the library.");
                return std::nullopt;
            }
            out.files.push_back(file);
        }
    }
    if (out.files.empty()) {
        say("There is no track of the library in it.");
        return std::nullopt;
    }
    return out;
}

} // namespace moorfrost::cli
