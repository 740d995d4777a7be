// SPDX-License-Identifier: GPL-3.0-or-later
#include <ctime>
#include <map>
#include <set>

#include <fmt/format.h>
#include <unistd.h>

#include "cli/json_out.h"
#include "cli/references.h"
#include "cli/sets.h"
#include "core/base/helper_program.h"
#include "core/bench/taking.h"
#include "core/library/library_reference.h"
#include "core/library/search/library_search.h"
#include "core/library/settings.h"
#include "core/library/sound_prints.h"
#include "core/matching/identify.h"
#include "core/reference/entries.h"
#include "core/reference/http_reference.h"
#include "core/reference/standin_process.h"
#include "core/text/text.h"

namespace moorfrost::cli {

namespace {

constexpr int wrongly = 2;

const char* nameOf(matching::Verdict verdict) {
    switch (verdict) {
    case matching::Verdict::Sure:
        return "sure";
    case matching::Verdict::Likely:
        return "likely";
    case matching::Verdict::Look:
        return "look at this";
    case matching::Verdict::Unknown:
        break;
    }
    return "unknown";
}

std::string today() {
    const std::time_t now = std::time(nullptr);
    std::tm day{};
    ::localtime_r(&now, &day);
    char text[40];
    return {text, std::strftime(text, sizeof text, "%Y-%m-%d", &day)};
}

} // namespace

int identify(const Options& options) {
    auto store = openLibrary(options);
    if (!store)
        return 1;
    const References references = referencesOf(*store, options);
    if (references.all.empty()) {
        say("No reference is switched on.");
        return 1;
    }
    const matching::Ways ways{options.ways.find("name") != std::string::npos,
                              options.ways.find("codes") != std::string::npos};
    const bool byEar = options.ways.find("sound") != std::string::npos;
    bool fine = true;
    const std::vector<files::ScannedFile> found = readAll(options, fine);
    // The numbers of the library, so that it does not tell files of themselves; others count down from -1.
    std::vector<Path> paths;
    for (const files::ScannedFile& file : found)
        paths.push_back(file.path);
    const std::vector<library::FileId> known = store->files().idsOf(paths);
    std::vector<matching::SleeveInput> inputs;
    std::map<int64_t, std::pair<size_t, const files::ScannedFile*>> byNumber; // place in `inputs`
    for (size_t i = 0; i < found.size(); ++i) {
        if (!found[i].tags) {
            printRefused(found[i], found[i].error);
            continue;
        }
        const int64_t number = known[i] > 0 ? known[i] : -static_cast<int64_t>(i + 1);
        byNumber[number] = {inputs.size(), &found[i]};
        inputs.push_back(matching::sleeveInput(number, found[i].path, *found[i].tags, found[i].tags->fields,
                                               found[i].state.modifiedNs));
    }
    std::vector<bench::Proposal> proposals;
    std::set<std::string> told;
    for (const matching::Sleeve& sleeve : matching::formSleeves(inputs)) {
        if (sleeve.key.empty())
            continue; // single files are no release
        std::vector<matching::SleeveInput> files;
        for (int64_t id : sleeve.ids)
            files.push_back(inputs[byNumber.at(id).first]);
        matching::SleeveClues clues = matching::cluesOf(files);
        matching::Listened heard;
        if (byEar)
            heard = matching::listen(clues, references.plain(),
                                     [&](int64_t id, const std::vector<double>& speeds) {
                                         return library::fingerprintsOf(byNumber.at(id).second->path, speeds);
                                     },
                                     {});
        matching::Identified answer =
            matching::identify(clues, references.plain(), ways, {}, 8, heard.releases);
        answer.errors.insert(answer.errors.end(), heard.errors.begin(), heard.errors.end());
        for (const Error& e : answer.errors)
            if (told.insert(e.message).second)
                say(e.message);
        fine = fine && answer.errors.empty();
        Json line;
        line["verdict"] = nameOf(answer.verdict);
        line["files"] = Json::array();
        for (int64_t id : sleeve.ids) {
            Json file;
            putPath(file, byNumber.at(id).second->path);
            line["files"].push_back(std::move(file));
        }
        line["candidates"] = Json::array();
        for (const matching::Candidate& c : answer.candidates) {
            Json candidate = releaseJson(c.release, c.reference);
            candidate["certainty"] = c.certainty;
            candidate["seated"] = c.seated();
            line["candidates"].push_back(std::move(candidate));
        }
        print(line);
        if (!options.takeSure || answer.verdict != matching::Verdict::Sure)
            continue;
        // All that is told of it: what questions are answered with is not everything.
        matching::Candidate best = answer.candidates[0];
        for (reference::Reference* r : references.plain())
            if (r->key() == best.reference && !best.complete)
                if (auto whole = r->fetch(best.release.id, {}))
                    best = matching::judge(clues, std::move(*whole), best.reference);
        std::vector<edits::Subject> subjects;
        for (const matching::SleeveInput& in : files)
            subjects.push_back({in.id, in.fields, {}});
        std::map<int64_t, tags::Fields> changes;
        for (const edits::Proposal& p :
             bench::take(best, clues, subjects, references.rules, references.genres,
                         bench::originOf(best.release, references.nameOf(best.reference), today())))
            changes[p.file][p.field] = p.values;
        for (const auto& [id, fields] : changes)
            proposals.push_back({recordOf(*byNumber.at(id).second, id), fields, {}, {}});
    }
    if (!options.takeSure)
        return fine ? 0 : 1;
    if (options.dryRun) {
        for (const bench::Proposal& p : proposals) {
            Json line;
            putPath(line, p.file->path);
            line["state"] = "would be written";
            line["fields"] = p.changes;
            print(line);
        }
        return fine ? 0 : 1;
    }
    return writeAndReport(*store, setOf("Identify from the command line", proposals), options, fine);
}

int reference(const Options& options) {
    auto store = openLibrary(options);
    if (!store)
        return 1;
    if (options.step == "serve") {
        const Path data = dataFolder(*store, options);
        store.reset();
        const std::string program = helperProgram("moorfrost-standin").native(),
                          port = std::to_string(options.port);
        ::execlp(program.c_str(), program.c_str(), data.c_str(), "--port", port.c_str(), nullptr);
        say("The simulated reference could not be started.");
        return 1;
    }
    reference::Question question;
    question.words = text::join(options.paths, " ");
    question.barcode = question.catalogueNumber = question.words; // where they are codes
    if (options.limit > 0)
        question.limit = std::min<size_t>(options.limit, 100);
    if (text::trim(question.words).empty()) {
        say("Say what to search for.");
        return wrongly;
    }
    bool fine = true;
    const References references = referencesOf(*store, options);
    for (reference::Reference* r : references.plain()) {
        auto answer = r->find(question, {});
        if (!answer) {
            say(answer.error().message);
            fine = false;
            continue;
        }
        for (const reference::Release& release : *answer)
            print(releaseJson(release, r->key()));
    }
    return fine ? 0 : 1;
}

} // namespace moorfrost::cli
