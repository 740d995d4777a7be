// SPDX-License-Identifier: GPL-3.0-or-later
// put-away: files to their places on a shelf, with every problem told before anything is done.
#include "cli/common.h"
#include "cli/json_out.h"
#include "cli/sets.h"
#include "core/bench/planning.h"
#include "core/library/replaced_files.h"
#include "core/matching/sleeves.h"
#include "core/text/text.h"

namespace moorfrost::cli {

namespace {

constexpr int wrongly = 2;

/// A problem or a remark, for a program.
const char* keyOf(placing::MarkKind kind) {
    using enum placing::MarkKind;
    switch (kind) {
    case InPlace:
        return "in place";
    case GoesAlong:
        return "goes along";
    case LeftOut:
        return "left out";
    case Suffixed:
        return "suffixed";
    case Adapted:
        return "adapted";
    case Replaces:
        return "replaces";
    case Shortened:
        return "shortened";
    case Gap:
        return "gap";
    case Split:
        return "split";
    case Beside:
        return "beside";
    case Cased:
        return "case";
    case Clash:
        return "clash";
    case Taken:
        return "taken";
    case Blocked:
        return "blocked";
    }
    return "";
}

const char* stateOf(const placing::Placement& p) {
    return p.blocked() ? "failed" : p.moves() ? "would be written" : p.leftOut() ? "left out" : "in place";
}

Json lineOf(const placing::Placement& p) {
    Json line;
    putPath(line, p.from);
    if (!p.to.empty())
        putPath(line, p.to, p.copy ? "copied_to" : "moved_to");
    line["state"] = stateOf(p);
    std::vector<std::string> notes;
    line["problems"] = Json::array();
    for (const placing::Mark& m : p.marks) {
        notes.push_back(m.text);
        Json problem;
        problem["kind"] = keyOf(m.kind);
        problem["text"] = m.text;
        problem["stops"] = placing::isWrong(m.kind);
        if (!m.key.empty())
            problem["field"] = m.key;
        if (!m.other.empty())
            putPath(problem, m.other, "other");
        line["problems"].push_back(problem);
    }
    line["notes"] = notes;
    line["error"] = p.blocked() ? Json(text::join(notes, "; ")) : Json(nullptr);
    return line;
}

Path absoluteOf(const std::string& path) {
    std::error_code error;
    return std::filesystem::weakly_canonical(std::filesystem::absolute(path), error);
}

} // namespace

int putAway(const Options& options) {
    bool fine = true;
    if (options.shelf.empty() && !options.rename) {
        say("Say the root folder with --shelf.");
        return wrongly;
    }
    std::vector<files::ScannedFile> found = readAll(options, fine);
    if (!parsePlan(options, found))
        return wrongly;
    const Path shelf = options.shelf.empty() ? Path() : absoluteOf(options.shelf);
    bench::PlaceRules rules;
    rules.shelves = {{1, text::forDisplay(shelf.filename().native()), shelf}};
    rules.customFields = customFieldsOf(found);
    rules.placing[1].names = files::profileFromKey(options.names);
    rules.profile = *rules.placing[1].names;
    for (const std::string& path : options.paths)
        rules.roots.push_back(absoluteOf(path));
    library::PlaceWish wish;
    wish.shelf = 1;
    wish.plan = options.plan;
    wish.mode = options.rename ? library::PlaceWish::Mode::Rename
                : options.copy ? library::PlaceWish::Mode::Copy
                               : library::PlaceWish::Mode::Move;
    wish.along = placing::AlongRule::fromText(options.along);
    wish.onClash = *placing::onClashFromKey(options.onClash);
    std::vector<matching::SleeveInput> inputs;
    std::vector<bench::Proposal> proposals;
    for (size_t i = 0; i < found.size(); ++i) {
        if (!found[i].tags) {
            printRefused(found[i], found[i].error);
            continue;
        }
        const auto number = static_cast<int64_t>(i + 1);
        inputs.push_back({number, found[i].path, found[i].tags->fields});
        proposals.push_back({recordOf(found[i], number), {}, wish, {}});
    }
    std::map<int64_t, std::string> sleeves;
    for (const matching::Sleeve& sleeve : matching::formSleeves(inputs))
        for (int64_t id : sleeve.ids)
            sleeves[id] = sleeve.key;
    for (bench::Proposal& p : proposals)
        p.sleeve = sleeves[p.file->id];
    const bench::Places places = bench::placesOf(proposals, rules);
    if (!places.shelfProblem.empty()) {
        say(places.shelfProblem);
        return wrongly;
    }
    for (const placing::Placement& p : places.placements) {
        if (options.dryRun || p.blocked() || p.leftOut())
            print(lineOf(p));
        fine = fine && !p.blocked();
    }
    if (options.dryRun)
        return fine ? 0 : 1;
    auto store = openLibrary(options);
    if (!store)
        return 1;
    if (!options.rename) {
        const int64_t number = store->shelves().add(rules.shelves.front().name, shelf);
        library::SettingTable& settings = store->settings();
        settings.set(
            library::settings::shelfPlans,
            library::withShelfPlan(settings.get(library::settings::shelfPlans), number, options.plan));
    }
    files::ChangeSet set = setOf("Put away from the command line", proposals, places);
    library::moveReplaced(*store, set, bench::pathsOf(bench::replacedBy(places)),
                          options.replacedTo.empty() ? Path() : absoluteOf(options.replacedTo));
    return writeAndReport(*store, std::move(set), options, fine);
}

} // namespace moorfrost::cli
