// SPDX-License-Identifier: GPL-3.0-or-later
#include <ctime>
#include <fstream>
#include <map>
#include <mutex>

#include <fmt/format.h>

#include "cli/commands.h"
#include "cli/common.h"
#include "cli/json_out.h"
#include "core/library/file_check.h"
#include "core/library/fixity.h"
#include "core/library/fixity_plan.h"
#include "core/text/text.h"
#include "core/work/parallel.h"

namespace moorfrost::cli {

using library::Fixity;

namespace {

std::vector<Path> filesUnder(const Options& options, bool& fine) {
    files::ScanSummary summary;
    std::vector<Path> files;
    for (const files::FoundFile& f : files::findFiles(pathsOf(options), !options.noSubfolders, {}, summary))
        files.push_back(f.path);
    for (const Error& e : summary.folders) {
        say(text::forDisplay(e.path.native()) + ": " + e.message);
        fine = false;
    }
    return files;
}

void putFixity(Json& line, const Fixity& f) {
    line["essence_xxh3"] = f.essence;
    line["essence_sha256"] = f.sha256.empty() ? Json(nullptr) : Json(f.sha256);
    line["essence_bytes"] = f.bytes;
}

/// What an earlier "fixity" printed.
std::optional<std::vector<Fixity>> fixityFromFile(const Path& file) {
    std::ifstream in(file);
    if (!in) {
        say("\"" + text::forDisplay(file.native()) + "\" cannot be opened.");
        return std::nullopt;
    }
    std::vector<Fixity> out;
    size_t number = 0;
    for (std::string text; std::getline(in, text);) {
        ++number;
        Json line = Json::parse(text, nullptr, false);
        auto is = [&](const char* key) { return line.contains(key) && line[key].is_string(); };
        if (!line.is_object() || !is("path")) {
            say(fmt::format("Line {} of \"{}\" is not a line that \"moorfrost-cli fixity\" prints.", number,
                            text::forDisplay(file.native())));
            return std::nullopt;
        }
        if (!is("essence_xxh3")) // a file that failed then
            continue;
        Fixity f;
        f.path = is("path_bytes") ? text::fromHex(line["path_bytes"].get<std::string>())
                                  : line["path"].get<std::string>();
        f.essence = line["essence_xxh3"].get<std::string>();
        f.sha256 = is("essence_sha256") ? line["essence_sha256"].get<std::string>() : std::string();
        f.bytes = line.contains("essence_bytes") && line["essence_bytes"].is_number_unsigned()
                      ? line["essence_bytes"].get<uint64_t>()
                      : 0;
        out.push_back(std::move(f));
    }
    return out;
}

/// Prints each file as it is found; true if there was no trouble and, unless `newIsFine`, nothing new.
class Printed {
public:
    explicit Printed(bool newIsFine) : newIsFine_(newIsFine) {}
    void operator()(const library::CheckedFile& f, const Fixity* stored) {
        Json line;
        putPath(line, f.path);
        line["state"] = library::name(f.state);
        if (stored) {
            putFixity(line, f.now);
            line["stored_xxh3"] = stored->essence;
            line["stored_sha256"] = stored->sha256.empty() ? Json(nullptr) : Json(stored->sha256);
        }
        line["found"] = f.sentence;
        bool trouble = library::isTrouble(f.state) || (f.state == library::CheckState::New && !newIsFine_);
        line["error"] = trouble ? Json(f.sentence) : Json(nullptr);
        print(line);
        fine_ = fine_ && !trouble;
        files_.push_back(f);
    }
    int exitCode(const Status& status = Done{}) {
        if (!status)
            say(status.error().message);
        say(library::summaryOf(files_));
        return fine_ && status ? 0 : 1;
    }

private:
    bool newIsFine_, fine_ = true;
    std::vector<library::CheckedFile> files_;
};

} // namespace

int fixity(const Options& options) {
    bool fine = true;
    std::vector<Path> files = filesUnder(options, fine);
    std::unique_ptr<library::Store> store;
    if (options.store && !(store = openLibrary(options)))
        return 1;
    std::mutex mutex;
    work::inParallel(files.size(), [&](size_t i) {
        auto f = library::fixityOf(files[i], options.sha256);
        Json line;
        putPath(line, files[i]);
        if (f)
            putFixity(line, *f);
        line["error"] = f ? Json(nullptr) : Json(f.error().message);
        std::lock_guard lock(mutex);
        fine = fine && f;
        print(line);
        if (store && f)
            store->fixity().save(*f);
    });
    return fine ? 0 : 1;
}

namespace {

/// Those that were compared longest ago, as the standing job of the window does it.
int verifyOldestOf(const Options& options) {
    auto store = openLibrary(options);
    if (!store)
        return 1;
    const auto plan = library::FixityPlan::fromJson(store->settings().get(library::settings::fixityPlan));
    Printed printed(true);
    work::Progress progress;
    const auto now = static_cast<int64_t>(std::time(nullptr));
    const library::FixityRoundDone done = library::verifyOldest(
        *store, plan, static_cast<uint64_t>(options.oldest * 1e9), now, now + 1, {}, progress,
        [&](std::vector<library::CheckedFile>&& files) {
            for (const library::CheckedFile& file : files)
                printed(file, nullptr);
            library::keepChecked(*store, files, static_cast<int64_t>(std::time(nullptr)));
        });
    if (done.round.files > 0)
        library::FixityRoundTable(store->database()).save(done.round);
    for (const Path& shelf : done.absentShelves)
        say("\"" + text::forDisplay(shelf.native()) + "\" is not there: nothing of it was compared.");
    return printed.exitCode();
}

} // namespace

int verify(const Options& options) {
    if (options.oldest > 0)
        return verifyOldestOf(options);
    bool fine = true;
    std::unique_ptr<library::Store> store;
    std::vector<Fixity> stored;
    std::vector<Path> files;
    if (!options.against.empty()) {
        auto list = fixityFromFile(options.against);
        if (!list)
            return 2;
        stored = std::move(*list);
    } else {
        store = openLibrary(options);
        if (!store)
            return 1;
        stored = store->fixity().all();
        if (!options.paths.empty()) {
            files = filesUnder(options, fine);
            std::erase_if(stored,
                          [&](const Fixity& f) { return !library::isUnder(f.path, pathsOf(options)); });
        }
    }
    std::map<Path, const Fixity*> known;
    for (const Fixity& f : stored)
        known[f.path] = &f;
    Printed printed(false);
    work::Progress progress;
    static const Fixity nothing;
    library::checkFixity(files, stored, options.sha256, {}, progress, [&](const library::CheckedFile& f) {
        auto it = known.find(f.path);
        printed(f, it == known.end() ? &nothing : it->second);
        if (store && it != known.end()) // when it was compared, and what was found, is kept
            library::keepChecked(*store, {f}, static_cast<int64_t>(std::time(nullptr)));
    });
    int code = printed.exitCode();
    return fine ? code : 1;
}

int decode(const Options& options) {
    bool fine = true;
    Printed printed(true);
    work::Progress progress;
    library::checkDecoding(filesUnder(options, fine), {}, progress,
                           [&](const library::CheckedFile& f) { printed(f, nullptr); });
    int code = printed.exitCode();
    return fine ? code : 1;
}

int checksums(const Options& options) {
    Printed printed(true);
    work::Progress progress;
    auto found = [&](const library::CheckedFile& f) { printed(f, nullptr); };
    Path list = std::filesystem::absolute(options.list);
    if (options.paths.empty())
        return printed.exitCode(library::checkAgainstList(list, {}, progress, found));
    return printed.exitCode(
        library::writeList(std::filesystem::absolute(options.paths.front()), list, {}, progress, found));
}

} // namespace moorfrost::cli
