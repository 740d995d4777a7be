// SPDX-License-Identifier: GPL-3.0-or-later
// fingerprint, match, duplicates: files by their sound.
#include "cli/json_out.h"
#include "cli/references.h"
#include "cli/sets.h"
#include "core/library/library_reference.h"
#include "core/library/search/library_search.h"
#include "core/library/sound_groups.h"
#include "core/library/sound_prints.h"

namespace moorfrost::cli {

namespace {

/// Listens to what is on the shelves and was not heard yet.
void listenToShelves(library::Store& store, sound::SoundStore& sounds, const library::Searcher& searcher) {
    library::forgetUnknown(store, sounds);
    std::vector<library::FileId> ids;
    searcher.all().each([&](library::Row row) {
        if (!searcher.has(row, library::Absent))
            ids.push_back(searcher.idOf(row));
    });
    const size_t unheard = library::notListenedTo(store, sounds, ids).size();
    if (unheard == 0)
        return;
    say(std::to_string(unheard) + " files are listened to first.");
    work::Progress progress;
    library::listenTo(store, sounds, ids, 0, {}, progress, [&](library::KeptValues&& values) {
        store.workedOut().save(library::soundPrintField, values);
    }).ignore();
}

const char* nameOf(library::SoundGroupKind kind) {
    switch (kind) {
    case library::SoundGroupKind::SameRecording:
        return "same recording";
    case library::SoundGroupKind::OtherVersion:
        return "another version";
    case library::SoundGroupKind::CodesDisagree:
        return "codes disagree";
    case library::SoundGroupKind::SameCode:
        break;
    }
    return "one code, two sounds";
}

} // namespace

int fingerprint(const Options& options) {
    bool fine = true;
    for (const files::ScannedFile& file : readAll(options, fine)) {
        auto prints = library::fingerprintsOf(file.path, {1});
        if (!prints) {
            printRefused(file, prints.error().message);
            fine = false;
            continue;
        }
        Json line;
        putPath(line, file.path);
        line["seconds"] = prints->front().seconds;
        line["algorithm"] = 2;
        line["items"] = prints->front().items;
        print(line);
    }
    return fine ? 0 : 1;
}

int match(const Options& options) {
    auto store = openLibrary(options);
    if (!store)
        return 1;
    const References references = referencesOf(*store, options);
    bool fine = true;
    for (const files::ScannedFile& file : readAll(options, fine)) {
        matching::SleeveClues clues;
        clues.files.emplace_back();
        clues.files[0].id = store->files().idOf(file.path);
        std::vector<reference::Reference*> asked;
        for (reference::Reference* r : references.plain())
            if (options.against.empty() ||
                (r->key() == reference::libraryKey) == (options.against == "library"))
                asked.push_back(r);
        const matching::Listened heard =
            matching::listen(clues, asked,
                             [&](int64_t, const std::vector<double>& speeds) {
                                 return library::fingerprintsOf(file.path, speeds);
                             },
                             {});
        for (const Error& e : heard.errors)
            say(e.message);
        fine = fine && heard.errors.empty();
        Json line;
        putPath(line, file.path);
        line["matches"] = Json::array();
        for (const matching::HeardAs& h : clues.files[0].heard) {
            Json found{{"recording", h.recording}, {"z", h.z},
                       {"sure", h.isSure()},       {"offset", h.offset},
                       {"overlap", h.overlap},     {"speed", h.speed},
                       {"releases", Json::array()}};
            for (const matching::Told& told : heard.releases)
                for (const reference::Medium& m : told.release.media)
                    for (const reference::Track& t : m.tracks)
                        if (told.reference + "/" + t.recording == h.recording)
                            found["releases"].push_back({{"reference", told.reference},
                                                         {"id", told.release.id},
                                                         {"release", told.release.title},
                                                         {"position", t.position},
                                                         {"title", t.title}});
            line["matches"].push_back(std::move(found));
        }
        print(line);
    }
    return fine ? 0 : 1;
}

int duplicates(const Options& options) {
    auto store = openLibrary(options);
    if (!store)
        return 1;
    const auto searcher = library::searchOf(*store).searcher;
    sound::SoundStore sounds(library::soundsOf(store->file()));
    listenToShelves(*store, sounds, *searcher);
    work::Progress progress;
    const auto found = library::findSoundGroups(
        sounds, *searcher, library::toldApart(*store, sounds.ids()),
        [&](int64_t id, const std::vector<double>& speeds) -> Result<std::vector<sound::Fingerprint>> {
            const auto row = searcher->rowOf(id);
            return row ? library::fingerprintsOf(searcher->pathOf(*row), speeds)
                       : Error{ErrorKind::NotFound, {}, "The file is not known any more."};
        },
        {}, progress);
    if (!found) {
        say(found.error().message);
        return 1;
    }
    for (const library::SoundGroup& g : found->groups) {
        Json line{{"kind", nameOf(g.kind)}, {"z", g.z}, {"files", Json::array()}, {"links", Json::array()}};
        for (library::FileId id : g.files) {
            Json file;
            if (const auto row = searcher->rowOf(id))
                putPath(file, searcher->pathOf(*row));
            file["file"] = id;
            line["files"].push_back(std::move(file));
        }
        for (const library::SoundLink& l : g.links)
            line["links"].push_back({{"one", l.one},
                                     {"other", l.other},
                                     {"z", l.z},
                                     {"offset", l.offset},
                                     {"overlap", l.overlap},
                                     {"speed", l.speed}});
        print(line);
    }
    return 0;
}

} // namespace moorfrost::cli
