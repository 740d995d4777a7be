// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/recordings.h"

#include <algorithm>
#include <functional>
#include <set>
#include <tuple>

#include <fmt/format.h>

#include "core/library/families/version_names.h"
#include "core/library/store/family_table.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

bool isLossless(const FileRecord& f) {
    return f.tags.facts.bitDepth > 0; // lossy codecs have none
}

Error invalid(std::string sentence) {
    return {ErrorKind::Invalid, {}, std::move(sentence)};
}

} // namespace

bool mergeRecordings(Store& store, KeptChange& change, const std::vector<FileId>& files, bool byHand) {
    std::set<RecordingId> all;
    for (FileId file : files)
        if (store.files().find(file))
            all.insert(store.recordings().ensure(file));
    if (all.size() < 2)
        return false;
    // That of which most is kept; of several such the first.
    RecordingId into = 0;
    size_t most = 0;
    for (RecordingId id : all) {
        const size_t kept =
            store.recordings().allValues(id).size() + (store.recordings().chosenOf(id) ? 1 : 0);
        if (into == 0 || kept > most) {
            into = id;
            most = kept;
        }
    }
    for (RecordingId id : all) {
        if (id == into)
            continue;
        for (const auto& [field, values] : store.recordings().allValues(id)) {
            const std::vector<std::string> there = store.recordings().values(into, field);
            if (there.empty()) {
                change.setValues(into, field, values);
            } else if (field == useField) { // both were used
                std::vector<Use> all = usesFrom(there);
                for (const Use& use : usesFrom(values))
                    all.push_back(use);
                change.setValues(into, field, useTexts(std::move(all)));
            } else if (field == bookmarkField) {
                std::vector<Bookmark> all = bookmarksFrom(there);
                for (const Bookmark& bookmark : bookmarksFrom(values))
                    all.push_back(bookmark);
                change.setValues(into, field, bookmarkTexts(std::move(all)));
            }
        }
        if (const FileId best = store.recordings().chosenOf(id);
            best != 0 && store.recordings().chosenOf(into) == 0)
            change.choose(into, best);
        for (const auto& [list, at] : store.collections().placesOf(id))
            change.splice(list, at, 1, {{into, store.collections().entries(list, at, 1)[0].file}});
        for (const TrackPlace& place : store.releases().placesOf(id)) {
            std::vector<KeptTrack> tracks = store.releases().tracks(place.release, place.medium);
            tracks[place.number].recording = into;
            change.setTracks(place.release, place.medium, tracks);
        }
        for (FileId file : store.recordings().filesOf(id)) {
            const RecordingPlace before = store.recordings().placeOf(file);
            // What was joined by itself and is taken back by a person stays apart.
            change.put(file, byHand ? before : RecordingPlace{before.recording, true},
                       {into, byHand || before.byHand});
        }
    }
    return true;
}

bool isBetter(const FileRecord& a, const FileRecord& b) {
    auto rank = [](const FileRecord& f) {
        return std::tuple(f.absent == 0, f.readable() && !f.tags.damaged, isLossless(f),
                          f.tags.facts.bitDepth, f.tags.facts.sampleRate, f.tags.facts.bitrate, -f.id);
    };
    return rank(a) > rank(b);
}

RecordingView recordingOf(Store& store, FileId file) {
    RecordingView out;
    out.id = store.recordings().placeOf(file).recording;
    if (out.id == 0)
        return out;
    out.files = store.files().findAll(store.recordings().filesOf(out.id));
    out.kept = store.recordings().allValues(out.id);
    const FileId chosen = store.recordings().chosenOf(out.id);
    out.chosen = std::ranges::any_of(out.files, [&](const FileRecord& f) { return f.id == chosen; });
    std::ranges::sort(out.files, [&](const FileRecord& a, const FileRecord& b) {
        if (out.chosen && (a.id == chosen) != (b.id == chosen))
            return a.id == chosen;
        return isBetter(a, b);
    });
    out.best = out.files.empty() ? 0 : out.files.front().id;
    return out;
}

ChangeOutcome keepValues(Store& store, const std::string& title, const std::string& field,
                         const KeptValues& values) {
    KeptChange change(store);
    for (const auto& [file, list] : values)
        if (store.files().find(file)) {
            std::vector<std::string> clean = list;
            for (std::string& value : clean) // they stand between values elsewhere (packKept)
                std::ranges::replace_if(
                    value, [](char c) { return c == keptBetween || c == keptBehindName; }, ' ');
            change.setValues(store.recordings().ensure(file), field, clean);
        }
    return change.commit(title);
}

namespace {

/// Of each recording once, whichever of its files are meant.
ChangeOutcome changeUses(Store& store, const std::string& title, const std::vector<FileId>& files,
                         const std::function<void(std::vector<Use>&)>& how) {
    KeptChange change(store);
    std::set<RecordingId> done;
    for (FileId file : files) {
        if (!store.files().find(file))
            continue;
        const RecordingId recording = store.recordings().ensure(file);
        if (!done.insert(recording).second)
            continue;
        std::vector<Use> uses = usesFrom(store.recordings().values(recording, useField));
        how(uses);
        change.setValues(recording, useField, useTexts(std::move(uses)));
    }
    return change.commit(title);
}

} // namespace

Result<ChangeOutcome> addUse(Store& store, const std::string& title, const Use& use,
                             const std::vector<FileId>& files) {
    if (std::string why = whyNotKept(useField, {useText(use)}); !why.empty())
        return invalid(std::move(why));
    return changeUses(store, title, files, [&](std::vector<Use>& uses) { uses.push_back(use); });
}

ChangeOutcome removeUse(Store& store, const std::string& title, const Use& use,
                        const std::vector<FileId>& files) {
    return changeUses(store, title, files, [&](std::vector<Use>& uses) { std::erase(uses, use); });
}

namespace {

Result<ChangeOutcome> changeBookmarks(Store& store, const std::string& title, FileId file,
                                      const std::function<void(std::vector<Bookmark>&)>& how) {
    KeptChange change(store);
    if (!store.files().find(file))
        return invalid("The library does not know this file.");
    const RecordingId recording = store.recordings().ensure(file);
    std::vector<Bookmark> bookmarks = bookmarksFrom(store.recordings().values(recording, bookmarkField));
    how(bookmarks);
    const std::vector<std::string> texts = bookmarkTexts(std::move(bookmarks));
    if (std::string why = whyNotKept(bookmarkField, texts); !why.empty())
        return invalid(std::move(why));
    change.setValues(recording, bookmarkField, texts);
    return change.commit(title);
}

} // namespace

Result<ChangeOutcome> addBookmark(Store& store, const std::string& title, const Bookmark& bookmark,
                                  FileId file) {
    return changeBookmarks(store, title, file, [&](std::vector<Bookmark>& all) { all.push_back(bookmark); });
}

ChangeOutcome removeBookmark(Store& store, const std::string& title, const Bookmark& bookmark, FileId file) {
    auto done = changeBookmarks(store, title, file, [&](std::vector<Bookmark>& all) {
        std::erase_if(all, [&](const Bookmark& b) { return bookmarkText(b) == bookmarkText(bookmark); });
    });
    return done ? *done : ChangeOutcome{};
}

Result<ChangeOutcome> mergeRecordings(Store& store, const std::vector<FileId>& files) {
    KeptChange change(store);
    if (!mergeRecordings(store, change, files, true))
        return invalid("These files are one recording already.");
    return change.commit(
        fmt::format("Make one recording of {} files", store.recordings().withOthers({files.front()}).size()));
}

RecordingId partRecording(Store& store, KeptChange& change, RecordingId recording,
                          const std::vector<FileId>& members) {
    const RecordingId own = store.recordings().add();
    const auto kept = store.recordings().allValues(recording);
    for (FileId file : members)
        change.put(file, {own, true});
    for (auto [field, values] : kept) {
        if (field == familyField && values.size() > 1 && values[1] == leadVersion)
            values[1] = otherVersion; // a family has one lead
        change.setValues(own, field, values);
    }
    const FileId best = store.recordings().chosenOf(recording);
    if (std::ranges::find(members, best) != members.end())
        change.choose(recording, 0);
    for (const auto& [list, at] : store.collections().placesOf(recording))
        if (const FileId meant = store.collections().entries(list, at, 1)[0].file;
            std::ranges::find(members, meant) != members.end())
            change.splice(list, at, 1, {{own, meant}});
    for (FileId file : store.recordings().filesOf(recording)) // nor is what is left joined with them again
        change.put(file, {recording, true});
    return own;
}

Result<ChangeOutcome> partFiles(Store& store, const std::vector<FileId>& files) {
    KeptChange change(store);
    std::map<RecordingId, std::vector<FileId>> from;
    for (FileId file : files)
        if (store.files().find(file))
            from[store.recordings().ensure(file)].push_back(file);
    size_t parted = 0;
    for (const auto& [recording, members] : from) {
        if (store.recordings().filesOf(recording).size() <= members.size())
            continue;
        partRecording(store, change, recording, members);
        parted += members.size();
    }
    if (parted == 0)
        return invalid("There is no other file in the recording that this could be parted from.");
    return change.commit(parted == 1 ? "Part a file from its recording"
                                     : fmt::format("Part {} files from their recording", parted));
}

Result<ChangeOutcome> chooseBest(Store& store, FileId file, bool chosen) {
    if (!store.files().find(file))
        return invalid("The library does not know this file.");
    KeptChange change(store);
    change.choose(store.recordings().ensure(file), chosen ? file : 0);
    return change.commit(chosen ? "Choose the best file" : "Let the best file be found");
}

Result<ChangeOutcome> forgetAbsent(Store& store, const std::vector<FileId>& files) {
    KeptChange change(store);
    size_t forgotten = 0;
    for (FileId id : files) {
        const auto file = store.files().find(id);
        if (!file)
            continue;
        if (file->absent == 0)
            return invalid("\"" + text::forDisplay(file->path.native()) +
                           "\" is not absent: only absent files are forgotten.");
        const RecordingPlace place = store.recordings().placeOf(id);
        if (place.recording != 0 && store.recordings().filesOf(place.recording).size() == 1) {
            for (const auto& [field, values] : store.recordings().allValues(place.recording))
                change.setValues(place.recording, field, {});
            auto places = store.collections().placesOf(place.recording);
            std::ranges::reverse(places); // so that places in front stay what they are
            for (const auto& [list, at] : places)
                change.splice(list, at, 1, {});
        }
        if (place.recording != 0 && store.recordings().chosenOf(place.recording) == id)
            change.choose(place.recording, 0);
        change.put(id, {});
        change.forget(id);
        ++forgotten;
    }
    return change.commit(forgotten == 1 ? "Forget an absent file"
                                        : fmt::format("Forget {} absent files", forgotten));
}

ChangeOutcome joinSameSound(Store& store, const std::vector<std::vector<FileId>>& groups) {
    KeptChange change(store);
    size_t joined = 0;
    for (const std::vector<FileId>& group : groups) {
        std::vector<FileId> free;
        for (FileId file : group)
            if (!store.recordings().placeOf(file).byHand)
                free.push_back(file);
        joined += mergeRecordings(store, change, free, false) ? 1 : 0;
    }
    return change.commit(joined == 1
                             ? "Join files with the same sound to a recording"
                             : fmt::format("Join files with the same sound to {} recordings", joined));
}

} // namespace moorfrost::library
