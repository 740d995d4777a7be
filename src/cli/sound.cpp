// SPDX-License-Identifier: GPL-3.0-or-later
// fingerprint, match, duplicates: files by their sound.
#include <mutex>

#include "cli/json_out.h"
#include "cli/references.h"
#include "cli/sets.h"
#include "core/library/library_reference.h"
#include "core/library/search/library_search.h"
#include "core/library/sound_groups.h"
#include "core/library/sound_prints.h"
#include "core/work/parallel.h"

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
    const std::vector<library::FileRecord> files = library::notListenedTo(store, sounds, ids);
    if (files.empty())
        return;
    say(std::to_string(files.size()) + " files are listened to first.");
    constexpr size_t portion = 64;
    for (size_t from = 0; from < files.size(); from += portion) {
        std::vector<library::HeardFile> heard;
        std::mutex mutex;
        work::inParallel(std::min(portion, files.size() - from), [&](size_t i) {
            const library::FileRecord& f = files[from + i];
            auto prints = fingerprintsOf(f.path, {1});
            std::lock_guard lock(mutex);
            heard.push_back(
                {f.id, f.state, prints ? std::move(prints->front().items) : std::vector<uint32_t>()});
        });
        store.workedOut().save(library::soundPrintField, library::keepHeard(sounds, std::move(heard)));
    }
    sounds.fold().ignore();
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
        auto prints = fingerprintsOf(file.path, {1});
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
        const matching::Listened heard = matching::listen(
            clues, asked,
            [&](int64_t, const std::vector<double>& speeds) { return fingerprintsOf(file.path, speeds); },
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
            return row ? fingerprintsOf(searcher->pathOf(*row), speeds)
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
