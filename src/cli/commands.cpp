// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/common.h"

#include <fmt/format.h>

#include "cli/json_out.h"
#include "cli/sets.h"
#include "core/bench/planning.h"
#include "core/library/described_fields.h"
#include "core/library/own_library.h"
#include "core/library/picture_store.h"
#include "core/library/writing.h"
#include "core/naming/free_reading.h"
#include "core/tags/picture_changes.h"
#include "core/tags/tag_io.h"
#include "core/text/text.h"

namespace moorfrost::cli {

void say(const std::string& sentence) {
    fmt::print(stderr, "moorfrost-cli: {}\n", sentence);
}

std::unique_ptr<library::Store> openLibrary(const Options& options) {
    const Result<Path> file = options.library.empty() ? library::ownLibrary() : Path(options.library);
    if (!file) {
        say(file.error().message);
        return nullptr;
    }
    auto store = library::Store::open(std::filesystem::absolute(*file));
    if (!store) {
        say(store.error().message);
        return nullptr;
    }
    library::defineFieldsOf(**store);
    library::RecoveryReport report = library::recover(**store);
    for (const std::string& sentence : library::sentencesOf(report))
        say(sentence);
    return std::move(*store);
}

std::vector<Path> pathsOf(const Options& options) {
    return {options.paths.begin(), options.paths.end()};
}

namespace {

constexpr int wrongly = 2;

} // namespace

int scan(const Options& options) {
    bool fine = true;
    work::Progress progress;
    files::ScanSummary summary = files::scan(pathsOf(options), {!options.noSubfolders, 0}, {}, progress,
                                             [](files::ScannedFile f) { print(fileJson(f)); });
    for (const Error& e : summary.folders)
        say(text::forDisplay(e.path.native()) + ": " + e.message);
    say(fmt::format("{} read, {} could not be read, {} other files.", summary.read, summary.failed,
                    summary.others));
    fine = summary.folders.empty() && summary.failed == 0;
    return fine ? 0 : 1;
}

namespace {

/// What the options ask of pictures; those that are added are kept from now on. False, after saying why, if
/// it makes no sense.
bool addPictureChanges(const library::Store& store, const Options& options, tags::Fields& changes) {
    const library::PictureStore pictures(library::PictureStore::folderOf(store.file()));
    auto keyOf = [](const std::string& typed) {
        const std::string type = tags::pictureTypeFrom(typed);
        if (type.empty())
            say("There is no type of picture named \"" + typed +
                "\". There are: " + text::join(tags::pictureTypes(), ", ") + ".");
        return type.empty() ? std::string() : tags::pictureKey(type);
    };
    for (const std::string& typed : options.noPictures) {
        const std::string key = keyOf(typed);
        if (key.empty())
            return false;
        changes[key];
    }
    for (const std::string& assignment : options.pictures) {
        const size_t equals = assignment.find('=');
        if (equals == std::string::npos || equals == 0 || equals + 1 == assignment.size()) {
            say("\"" + assignment + "\" is not type=file, such as front=cover.jpg.");
            return false;
        }
        const std::string key = keyOf(assignment.substr(0, equals));
        if (key.empty())
            return false;
        auto added = pictures.addFile(assignment.substr(equals + 1), tags::pictureTypeOf(key));
        if (!added) {
            say(added.error().message);
            return false;
        }
        changes[key].push_back(tags::pictureText(*added));
    }
    return true;
}

} // namespace

int setFields(const Options& options) {
    tags::Fields changes;
    for (const std::string& assignment : options.fields) {
        size_t equals = assignment.find('=');
        if (equals == std::string::npos || equals == 0) {
            say("\"" + assignment + "\" is not name=value, such as title=\"Night Post\".");
            return wrongly;
        }
        std::string key = tags::keyFromName(assignment.substr(0, equals));
        std::string value = assignment.substr(equals + 1);
        if (value.empty())
            changes[key];
        else
            changes[key].push_back(value);
    }
    for (const auto& [key, values] : changes)
        if (std::string why = tags::whyNotValid(key, values); !why.empty()) {
            say(why);
            return wrongly;
        }
    auto store = openLibrary(options);
    if (!store)
        return 1;
    if (!addPictureChanges(*store, options, changes))
        return wrongly;
    if (changes.empty()) {
        say("Say what is to be set: --field, --picture or --no-picture.");
        return wrongly;
    }
    bool fine = true;
    std::vector<bench::Proposal> proposals;
    for (const files::ScannedFile& file : readAll(options, fine)) {
        if (!file.tags)
            printRefused(file, file.error);
        else
            proposals.push_back({recordOf(file, 1), changes, {}, {}});
    }
    return writeAndReport(*store, setOf("Set fields from the command line", proposals), options, fine);
}

int readNames(const Options& options) {
    bool fine = true;
    std::vector<files::ScannedFile> found = readAll(options, fine);
    std::optional<naming::Plan> plan;
    if (!options.plan.empty() && !(plan = parsePlan(options, found)))
        return wrongly;
    auto store = openLibrary(options);
    if (!store)
        return 1;
    naming::KnownNames known;
    const std::vector<library::FileRecord> all = store->files().all();
    for (const char* key : {"album_artist", "artist"}) // how the library spells its releases comes first
        for (const library::FileRecord& f : all)
            if (f.shelf > 0)
                if (auto it = f.tags.fields.find(key); it != f.tags.fields.end())
                    for (const std::string& v : it->second)
                        known.add(v);
    std::vector<Path> paths;
    for (const files::ScannedFile& f : found)
        paths.push_back(f.path);
    if (options.suggest) {
        const std::vector<std::string> usual = {"{artist} - {title}", "{position} {title}",
                                                "{artist}/{album}/{position} {title}",
                                                "{album}/{position} - {title}", "{skip} - {title}"};
        for (const naming::PlanSuggestion& s : naming::suggestPlans(paths, known, usual)) {
            Json line;
            line["plan"] = s.plan;
            line["fits"] = s.fits;
            line["of"] = paths.size();
            line["doubtful"] = s.doubtful;
            putPath(line, paths[s.first]);
            line["fields"] = s.sample.values;
            print(line);
        }
        return fine ? 0 : 1;
    }
    std::set<std::string> artists;
    known.eachFolded([&](const std::string& folded) { artists.insert(folded); });
    std::vector<naming::NameReading> readings =
        plan ? naming::readNames(*plan, paths, artists) : naming::readFreely(paths, known);
    std::vector<bench::Proposal> proposals;
    for (size_t i = 0; i < found.size(); ++i) {
        const naming::NameReading& r = readings[i];
        bool usable = r.fits && !r.doubtful && found[i].tags;
        fine = fine && usable;
        if (usable && !options.dryRun) {
            proposals.push_back({recordOf(found[i], static_cast<int64_t>(i + 1)), r.values, {}, {}});
            continue;
        }
        Json line;
        putPath(line, found[i].path);
        line["state"] = !found[i].tags ? "failed"
                        : !r.fits      ? "does not fit"
                        : r.doubtful   ? "doubtful"
                                       : "would be written";
        line["fields"] = r.values;
        line["error"] = !found[i].tags ? Json(found[i].error) : r.why.empty() ? Json(nullptr) : Json(r.why);
        print(line);
    }
    return options.dryRun
               ? (fine ? 0 : 1)
               : writeAndReport(*store, setOf("Read names from the command line", proposals), options, fine);
}

int journal(const Options& options) {
    auto store = openLibrary(options);
    if (!store)
        return 1;
    for (const library::SetSummary& s : store->journal().sets()) {
        Json line;
        line["id"] = s.id;
        line["when"] = s.when;
        line["title"] = s.title;
        line["done"] = s.done;
        line["failed"] = s.failed;
        line["taken_back"] = s.takenBack;
        line["files"] = Json::array();
        for (const library::SetStep& step : store->journal().steps(s.id))
            line["files"].push_back(stepJson(step.record));
        print(line);
    }
    return 0;
}

int takeBack(const Options& options) {
    auto store = openLibrary(options);
    if (!store)
        return 1;
    bool known = false;
    for (const library::SetSummary& s : store->journal().sets())
        known = known || s.id == options.set;
    if (!known) {
        say(fmt::format("There is no set {} in the journal. \"moorfrost-cli journal\" lists them.",
                        options.set));
        return wrongly;
    }
    work::Progress progress;
    library::TakeBackOutcome outcome = library::takeBackSet(*store, options.set, std::nullopt, {}, progress);
    for (const library::SetStep& step : store->journal().steps(options.set)) {
        if (step.record.state != files::StepState::TakenBack)
            continue;
        Json line = stepJson(step.record);
        line["set"] = options.set;
        print(line);
    }
    for (const auto& [path, why] : outcome.refused) {
        Json line;
        putPath(line, path);
        line["state"] = "failed";
        line["error"] = why;
        line["set"] = options.set;
        print(line);
    }
    if (!outcome.error.empty())
        say(outcome.error);
    say(fmt::format("{} taken back, {} not.", outcome.done, outcome.refused.size()));
    return outcome.refused.empty() && outcome.error.empty() ? 0 : 1;
}

} // namespace moorfrost::cli
