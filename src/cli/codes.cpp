// SPDX-License-Identifier: GPL-3.0-or-later
// codes: recordings that lack their ISRC, and what references say.
#include <cstdlib>
#include <ctime>
#include <iostream>
#include <set>

#include "cli/references.h"
#include "core/library/codes/own_codes.h"
#include "core/library/search/library_search.h"
#include "core/library/sound_prints.h"

namespace moorfrost::cli {

namespace {

constexpr int wrongly = 2;

Json gapJson(library::Store& store, const library::CodeGap& gap) {
    Json out{{"title", gap.title}, {"artist", gap.artist}, {"album", gap.album}, {"seconds", gap.seconds}};
    out["files"] = Json::array();
    for (const library::FileRecord& file : store.files().findAll(gap.files)) {
        Json one;
        putPath(one, file.path);
        out["files"].push_back(one["path"]);
    }
    return out;
}

} // namespace

int codes(const Options& options) {
    auto store = openLibrary(options);
    if (!store)
        return 1;
    const library::LibrarySearch search = library::searchOf(*store);
    if (!search.searcher) {
        say("The library cannot be searched.");
        return 1;
    }
    const std::vector<library::CodeGap> gaps = library::codeGaps(*store, *search.searcher);
    if (options.step == "register") {
        std::cout << library::ownCodesCsv(*store);
        return 0;
    }
    if (options.step == "assign") {
        const std::time_t now = std::time(nullptr);
        std::tm day{};
        ::localtime_r(&now, &day);
        const library::IsrcSeries series{
            options.name, options.when.empty() ? day.tm_year + 1900 : std::atoi(options.when.c_str())};
        if (const std::string why = library::whyNotSeries(series); !why.empty()) {
            say(why);
            return wrongly;
        }
        if (options.dryRun) {
            const auto next = library::nextOwnCode(*store, *search.searcher, series);
            if (!next) {
                say(next.error().message);
                return 1;
            }
            print(Json{{"next", *next}, {"gaps", gaps.size()}});
            return 0;
        }
        const auto given = library::giveOwnCodes(*store, *search.searcher, series, gaps, now);
        if (!given) {
            say(given.error().message);
            return 1;
        }
        std::vector<library::DraftChange> drafts;
        for (const library::GivenCode& one : *given) {
            Json out = gapJson(*store, one.gap);
            out["isrc"] = one.isrc;
            print(out);
            for (const library::FileId file : one.gap.files)
                drafts.push_back({file, "isrc", std::nullopt, library::Draft{{one.isrc}, "own code", now}});
        }
        store->drafts().save(drafts);
        return 0;
    }
    if (options.step == "gaps") {
        for (const library::CodeGap& gap : gaps)
            print(gapJson(*store, gap));
        return gaps.empty() ? 0 : 1;
    }
    const References references = referencesOf(*store, options);
    if (references.all.empty()) {
        say("No reference is switched on.");
        return 1;
    }
    std::vector<library::DraftChange> drafts;
    size_t open = 0;
    work::Progress progress;
    const auto prints = [&](int64_t file, const std::vector<double>& speeds) {
        const auto record = store->files().find(file);
        return record
                   ? library::fingerprintsOf(record->path, speeds)
                   : Result<std::vector<sound::Fingerprint>>(Error{ErrorKind::NotFound, {}, "It is gone."});
    };
    const std::vector<Error> errors = library::lookUpCodes(
        *store, *search.searcher, gaps, references.plain(), prints, {}, progress,
        [&](library::CodeAnswer&& one) {
            Json out = gapJson(*store, one.gap);
            out["sure"] = one.isSure();
            out["candidates"] = Json::array();
            for (const library::CodeCandidate& c : one.candidates) {
                Json candidate{{"isrc", c.isrc}, {"source", c.source}, {"confirmed", c.confirmed}};
                candidate["evidence"] = c.evidence;
                if (!c.refused.empty())
                    candidate["refused"] = c.refused;
                out["candidates"].push_back(std::move(candidate));
            }
            print(out);
            open += !one.isSure();
            if (options.take && one.isSure())
                for (const library::FileId file : one.gap.files)
                    drafts.push_back({file, "isrc", std::nullopt,
                                      library::Draft{{one.candidates.front().isrc},
                                                     one.candidates.front().source,
                                                     std::time(nullptr)}});
        });
    std::set<std::string> told;
    for (const Error& error : errors)
        if (told.insert(error.message).second)
            say(error.message);
    if (!drafts.empty())
        store->drafts().save(drafts);
    return open == 0 && errors.empty() ? 0 : 1;
}

} // namespace moorfrost::cli
