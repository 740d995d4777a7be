// SPDX-License-Identifier: GPL-3.0-or-later
// misplaced: files on a shelf whose names are not as its plan has them.
#include <algorithm>

#include "cli/common.h"
#include "cli/json_out.h"
#include "core/library/misplaced.h"
#include "core/library/shelf_readiness.h"
#include "core/tags/custom_fields.h"
#include "core/text/text.h"

namespace moorfrost::cli {

namespace {

constexpr int wrongly = 2;

/// By its name, else by its folder.
const library::Shelf* shelfNamed(const std::vector<library::Shelf>& all, const std::string& name) {
    auto at = std::ranges::find(all, name, &library::Shelf::name);
    if (at == all.end()) {
        std::error_code error;
        const Path folder = std::filesystem::weakly_canonical(std::filesystem::absolute(Path(name)), error);
        at = std::ranges::find(all, folder, &library::Shelf::path);
    }
    return at == all.end() ? nullptr : &*at;
}

} // namespace

int misplaced(const Options& options) {
    auto store = openLibrary(options);
    if (!store)
        return 1;
    const std::vector<library::Shelf> all = store->shelves().all();
    const library::Shelf* shelf = shelfNamed(all, options.shelf);
    if (!shelf) {
        say("There is no shelf \"" + options.shelf + "\".");
        return wrongly;
    }
    const library::LibrarySearch search = library::searchOf(*store);
    if (!search.searcher) {
        say("The library cannot be searched.");
        return 1;
    }
    const library::Searcher& searcher = *search.searcher;
    library::PlacingRules rules =
        library::placingRulesFrom(store->settings().get(library::settings::shelfPlans));
    if (!options.plan.empty())
        rules[shelf->id].plan = options.plan;
    const library::ShelfPlans by(*store, rules, tags::withDescribed(searcher.customFields()),
                                 library::rulesOf(*store).names);
    if (!by.has(shelf->id)) {
        say(!rules[shelf->id].plan.empty()
                ? "The plan \"" + rules[shelf->id].plan + "\" makes no sense."
                : "Nothing was put away on \"" + shelf->name + "\" by a plan yet: say one with --plan.");
        return wrongly;
    }
    size_t found = 0;
    work::Progress progress;
    library::eachMisplaced(*store, searcher, by, shelf->id, {}, progress, [&](const library::Misplaced& one) {
        Json line;
        putPath(line, shelf->path / one.at);
        putPath(line, shelf->path / one.to, "by_plan");
        print(line);
        ++found;
    });
    return found > 0 ? 1 : 0;
}

} // namespace moorfrost::cli
