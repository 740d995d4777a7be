// SPDX-License-Identifier: GPL-3.0-or-later
#include <fstream>
#include <iostream>
#include <mutex>

#include <fmt/format.h>

#include "cli/commands.h"
#include "cli/common.h"
#include "cli/json_out.h"
#include "core/library/fixity.h"
#include "core/text/text.h"
#include "core/work/parallel.h"

namespace moorfrost::cli {

using library::Fixity;
using library::FixityState;

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

const char* wordFor(FixityState state) {
    switch (state) {
    case FixityState::Same:
        return "same";
    case FixityState::Changed:
        return "changed";
    case FixityState::Missing:
        return "missing";
    case FixityState::Unreadable:
        return "failed";
    }
    return "";
}

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
            store->saveFixity(*f);
    });
    return fine ? 0 : 1;
}

int verify(const Options& options) {
    bool fine = true;
    std::vector<Fixity> stored;
    std::vector<Path> unknown;
    if (!options.against.empty()) {
        auto list = fixityFromFile(options.against);
        if (!list)
            return 2;
        stored = std::move(*list);
    } else {
        auto store = openLibrary(options);
        if (!store)
            return 1;
        if (options.paths.empty())
            stored = store->allFixity();
        else
            for (const Path& path : filesUnder(options, fine)) {
                if (auto f = store->fixity(path))
                    stored.push_back(*f);
                else
                    unknown.push_back(path);
            }
    }
    std::mutex mutex;
    size_t same = 0;
    work::inParallel(stored.size(), [&](size_t i) {
        library::FixityCheck check = library::checkFixity(stored[i]);
        Json line;
        putPath(line, stored[i].path);
        line["state"] = wordFor(check.state);
        putFixity(line, check.now);
        line["stored_xxh3"] = stored[i].essence;
        line["stored_sha256"] = stored[i].sha256.empty() ? Json(nullptr) : Json(stored[i].sha256);
        line["error"] = check.error.empty() ? Json(nullptr) : Json(check.error);
        std::lock_guard lock(mutex);
        same += check.state == FixityState::Same;
        print(line);
    });
    for (const Path& path : unknown) {
        Json line;
        putPath(line, path);
        line["state"] = "not stored";
        line["error"] = "No fixity of this file is stored. \"moorfrost-cli fixity --store\" stores it.";
        print(line);
    }
    say(fmt::format("{} of {} are the same.", same, stored.size() + unknown.size()));
    return fine && same == stored.size() && unknown.empty() ? 0 : 1;
}

} // namespace moorfrost::cli
