// SPDX-License-Identifier: GPL-3.0-or-later
// Releases: listed, shown, entered, filled; all of them out and in as JSON.
#include <fstream>
#include <iostream>
#include <sstream>

#include <fmt/format.h>

#include "cli/json_out.h"
#include "cli/named.h"
#include "core/exchange/track_list_text.h"
#include "core/library/releases/edition_sets.h"
#include "core/library/releases/filling.h"
#include "core/library/releases/releases_json.h"
#include "core/library/search/library_search.h"
#include "core/text/text.h"

namespace moorfrost::cli {

namespace {

using library::ReleaseRef;

constexpr int wrongly = 2;

std::shared_ptr<const library::ReleaseList> listOf(library::Store& store) {
    return library::ReleaseList::make(library::searchOf(store).searcher, library::keptReleases(store));
}

/// The facts that are given as name=value; false after saying what is wrong.
bool factsFrom(const Options& options, reference::Release& release) {
    for (const std::string& one : options.fields) {
        const size_t equals = one.find('=');
        const library::FactDef* def = library::factByName(one.substr(0, equals));
        if (text::fold(one.substr(0, equals)) == "carrier" && equals != std::string::npos) {
            if (release.media.empty())
                release.media.emplace_back();
            for (reference::Medium& m : release.media)
                m.carrier = text::trim(one.substr(equals + 1));
            continue;
        }
        if (equals == std::string::npos || !def) {
            say("\"" + one + "\" is no fact of a release, as in title=Night Post EP.");
            return false;
        }
        const auto values = library::factFromTyping(def->key, one.substr(equals + 1));
        if (const std::string why = library::whyNotFact(def->key, values); !why.empty()) {
            say(why);
            return false;
        }
        library::putFact(release, def->key, values);
    }
    return true;
}

bool tracksFrom(const Options& options, reference::Release& release) {
    if (options.list.empty())
        return true;
    const auto text = readWhole(options.list);
    if (!text)
        return false;
    const auto read = exchange::readTrackList(*text);
    if (!read.trouble.empty())
        say(read.trouble);
    if (read.tracks() == 0) {
        say("No track is seen in \"" + options.list + "\".");
        return false;
    }
    const std::string carrier = release.media.empty() ? std::string() : release.media.front().carrier;
    release.media = read.media;
    for (reference::Medium& m : release.media)
        if (m.carrier.empty())
            m.carrier = carrier;
    return true;
}

void printRelease(library::Store& store, const ReleaseRef& ref) {
    std::cout << library::releaseJson(store, library::releaseView(store, ref)) << "\n";
}

int makeNew(library::Store& store, const Options& options) {
    reference::Release release;
    library::ReleaseView from;
    ReleaseRef set;
    if (!options.edition.empty()) {
        const auto ref = releaseNamed(store, options.edition);
        if (!ref)
            return 1;
        set = *ref;
        from = library::releaseView(store, *ref);
        release = from.release;
        release.labels.clear(); // these are its own
        release.barcode.clear();
        release.dates.clear();
        release.edition.clear();
        release.notes.clear();
        release.links.clear();
        for (reference::Medium& m : release.media)
            m.carrier.clear();
    }
    if (!factsFrom(options, release) || !tracksFrom(options, release))
        return wrongly;
    library::ReleaseFilling filling;
    for (const library::FactDef& def : library::releaseFacts())
        if (auto values = library::factOf(release, def.key); !values.empty())
            filling.facts[def.key] = std::move(values);
    library::ReleaseView bare = from;
    bare.facts.clear();
    const library::FillingPlan plan = library::planFilling(bare, release);
    filling.media = plan.media;
    if (!options.list.empty())
        filling.source.what = "a list of tracks";
    else if (!options.edition.empty())
        filling.source.what = "another edition of the library";
    library::ChangeOutcome outcome;
    const auto made = library::makeRelease(store, filling, options.edition.empty() ? nullptr : &set, outcome);
    if (!made) {
        say(made.error().message);
        return wrongly;
    }
    printRelease(store, {*made, {}});
    return 0;
}

int fill(library::Store& store, const Options& options, ReleaseRef ref) {
    const library::ReleaseView view = library::releaseView(store, ref);
    reference::Release source;
    if (!factsFrom(options, source) || !tracksFrom(options, source))
        return wrongly;
    library::FillingPlan plan = library::planFilling(view, source);
    for (library::FactFilling& f : plan.facts)
        f.taken = true; // it was asked for
    if (options.dryRun) {
        for (const library::FactFilling& f : plan.facts) {
            Json line;
            line["fact"] = f.key;
            line["is"] = library::shownFact(f.key, f.before);
            line["will_be"] = library::shownFact(f.key, f.after);
            print(line);
        }
        if (plan.mediaChange)
            for (const library::TrackFilling& t : plan.tracks) {
                Json line;
                line["medium"] = t.medium + 1;
                line["is"] = t.before;
                line["will_be"] = t.after;
                print(line);
            }
        return 0;
    }
    library::ReleaseSource from;
    if (!options.list.empty())
        from.what = "a list of tracks";
    const auto done =
        library::fillRelease(store, ref, plan.filling(from), "Fill \"" + view.release.title + "\"");
    if (!done) {
        say(done.error().message);
        return 1;
    }
    printRelease(store, ref);
    return 0;
}

} // namespace

int releases(const Options& options) {
    auto store = openLibrary(options);
    if (!store)
        return 1;
    const auto list = listOf(*store);
    if (options.step == "sets") {
        for (const library::SetProposal& p : library::proposeSets(*list)) {
            Json out;
            out["sure"] = p.evidence.sure;
            out["why"] = p.evidence.words();
            out["releases"] = Json::array();
            for (const size_t at : p.entries) {
                const library::ReleaseEntry& e = list->entries()[at];
                Json one;
                one["release"] = e.ref.id == 0 ? Json() : Json(e.ref.id);
                one["title"] = e.title;
                one["artist"] = e.artist;
                out["releases"].push_back(std::move(one));
            }
            print(out);
        }
        return 0;
    }
    for (const auto& line : list->lines(options.query, library::ReleaseOrder::Title)) {
        if (line.isHead)
            continue;
        const library::ReleaseEntry& e = list->entries()[line.entry];
        Json out;
        out["release"] = e.ref.id == 0 ? Json() : Json(e.ref.id);
        out["title"] = e.title;
        out["artist"] = e.artist;
        out["edition"] = e.edition;
        out["label"] = e.label;
        out["catalogue_number"] = e.number;
        out["barcode"] = e.barcode;
        out["date"] = e.date;
        out["country"] = e.country;
        out["carrier"] = e.carrier;
        out["tracks"] = e.tracks;
        out["files"] = e.ref.files.size();
        if (e.set != 0)
            out["set"] = e.set;
        if (!e.ref.files.empty())
            if (const auto file = store->files().find(e.ref.files.front()))
                putPath(out, file->path);
        print(out);
    }
    return 0;
}

int release(const Options& options) {
    auto store = openLibrary(options);
    if (!store)
        return 1;
    const std::string& what = options.step;
    if (what == "new")
        return makeNew(*store, options);
    if (what == "export") {
        const auto list = listOf(*store);
        for (const auto& e : list->entries())
            printRelease(*store, e.ref);
        return 0;
    }
    if (options.name.empty()) {
        say("Which one? Tell the number of a release, or a file of it; of import, the file to read.");
        return wrongly;
    }
    if (what == "import") {
        const auto text = readWhole(options.name);
        if (!text)
            return 1;
        const auto taken = library::takeReleases(*store, *text);
        if (!taken) {
            say(taken.error().message);
            return 1;
        }
        for (const std::string& trouble : taken->troubles)
            say(trouble);
        Json out;
        out["made"] = taken->made;
        out["there"] = taken->there;
        out["left_out"] = taken->troubles.size();
        print(out);
        return taken->troubles.empty() ? 0 : 1;
    }
    const auto ref = releaseNamed(*store, options.name);
    if (!ref)
        return 1;
    if (what == "fill")
        return fill(*store, options, *ref);
    if (what == "remove") {
        const auto done = library::removeRelease(*store, ref->id);
        if (!done)
            say(done.error().message);
        return done ? 0 : 1;
    }
    printRelease(*store, *ref);
    return 0;
}

} // namespace moorfrost::cli
