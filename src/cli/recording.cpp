// SPDX-License-Identifier: GPL-3.0-or-later
#include <ctime>

#include <fmt/format.h>

#include "cli/common.h"
#include "cli/json_out.h"
#include "core/library/recordings.h"
#include "core/text/text.h"

namespace moorfrost::cli {

namespace {

constexpr int wrongly = 2;

Json recordingJson(const library::RecordingView& view) {
    Json out;
    out["recording"] = view.id == 0 ? Json(nullptr) : Json(view.id);
    out["files"] = Json::array();
    for (const library::FileRecord& f : view.files) {
        Json file;
        putPath(file, f.path);
        file["best"] = f.id == view.best;
        file["absent_since"] = f.absent == 0 ? Json(nullptr) : Json(f.absent);
        out["files"].push_back(std::move(file));
    }
    out["best_by_hand"] = view.chosen;
    out["kept"] = Json::object();
    for (const auto& [field, values] : view.kept)
        out["kept"][field] = values;
    return out;
}

Json changeJson(const library::LibraryChange& change) {
    Json out;
    out["change"] = change.id;
    out["when"] = change.when;
    out["title"] = change.title;
    out["taken_back"] = change.takenBack;
    out["parts"] = change.parts;
    return out;
}

int report(library::Store& store, const Result<library::ChangeOutcome>& outcome) {
    if (!outcome) {
        say(outcome.error().message);
        return 1;
    }
    if (const auto change = store.changes().find(outcome->change))
        print(changeJson(*change));
    return 0;
}

/// What is not known is said; `fine` turns false.
std::vector<library::FileId> knownFiles(library::Store& store, const std::vector<Path>& paths, bool& fine) {
    std::vector<library::FileId> out;
    for (const Path& path : paths) {
        const library::FileId id = store.files().idOf(path);
        if (id == 0)
            say("The library does not know \"" + text::forDisplay(path.native()) + "\".");
        else
            out.push_back(id);
        fine = fine && id != 0;
    }
    return out;
}

/// Keeps one value of all of them.
Result<library::ChangeOutcome> keepOne(library::Store& store, const std::string& title,
                                       const std::string& field, const std::string& value,
                                       const std::vector<library::FileId>& files) {
    const std::vector<std::string> values =
        value.empty() ? std::vector<std::string>() : std::vector<std::string>{value};
    if (std::string why = library::whyNotKept(field, values); !why.empty())
        return Error{ErrorKind::Invalid, {}, std::move(why)};
    library::KeptValues all;
    for (const library::FileId id : files)
        all[id] = values;
    return library::keepValues(store, title, field, all);
}

} // namespace

int rate(const Options& options) {
    auto store = openLibrary(options);
    if (!store)
        return 1;
    bool fine = true;
    const std::vector<library::FileId> files = knownFiles(*store, pathsOf(options), fine);
    if (!fine) // rather none than others than were meant
        return 1;
    const std::string value = options.step == "0" ? std::string() : options.step;
    return report(*store, keepOne(*store, value.empty() ? "Take the rating away" : "Rate " + value,
                                  library::ratingField, value, files));
}

int uses(const Options& options) {
    auto store = openLibrary(options);
    if (!store)
        return 1;
    bool fine = true;
    const std::vector<library::FileId> files = knownFiles(*store, pathsOf(options), fine);
    const library::Use use{options.when, options.step, options.where, options.note};
    if (!use.what.empty()) {
        if (!fine)
            return 1;
        return report(*store, library::addUse(*store, "Used in " + use.what, use, files));
    }
    for (const library::FileId id : files) {
        const library::RecordingView view = library::recordingOf(*store, id);
        const auto kept = view.kept.find(library::useField);
        Json out;
        putPath(out, store->files().find(id)->path);
        out["uses"] = Json::array();
        if (kept != view.kept.end())
            for (const library::Use& u : library::usesFrom(kept->second))
                out["uses"].push_back(
                    {{"what", u.what}, {"where", u.where}, {"date", u.date}, {"note", u.note}});
        print(out);
    }
    return fine ? 0 : 1;
}

int recording(const Options& options) {
    auto store = openLibrary(options);
    if (!store)
        return 1;
    if (options.step == "changes") {
        for (const library::LibraryChange& change : store->changes().all())
            print(changeJson(change));
        return 0;
    }
    if (options.step == "take-back") {
        int64_t number = 0;
        if (options.paths.size() != 1 || !text::isDigits(options.paths.front()) ||
            (number = std::strtoll(options.paths.front().c_str(), nullptr, 10)) == 0) {
            say("Say the number of one change: \"moorfrost-cli recording changes\" lists them.");
            return wrongly;
        }
        return report(*store, library::takeBackChange(*store, number));
    }
    const std::vector<Path> paths = pathsOf(options);
    if (paths.empty() || (options.step == "merge" && paths.size() < 2)) {
        say(options.step == "merge" ? "Name two files at least." : "Name the files.");
        return wrongly;
    }
    bool fine = true;
    const std::vector<library::FileId> files = knownFiles(*store, paths, fine);
    if (options.step == "show") {
        for (library::FileId id : files)
            print(recordingJson(library::recordingOf(*store, id)));
        return fine ? 0 : 1;
    }
    if (!fine) // rather none than others than were meant
        return 1;
    if (options.step == "best")
        return files.size() == 1 ? report(*store, library::chooseBest(*store, files.front()))
                                 : (say("Name one file."), wrongly);
    return report(*store, options.step == "merge" ? library::mergeRecordings(*store, files)
                                                  : library::partFiles(*store, files));
}

} // namespace moorfrost::cli
