// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/recordings.h"

#include <algorithm>
#include <functional>
#include <set>
#include <tuple>

#include <fmt/format.h>

#include "core/text/text.h"

namespace moorfrost::library {

using Kind = ChangePart::Kind;

namespace {

std::vector<std::string> placeTexts(const RecordingPlace& place) {
    if (place.recording == 0)
        return {};
    return {std::to_string(place.recording), place.byHand ? "1" : "0"};
}

int64_t number(const std::string& text) {
    return std::strtoll(text.c_str(), nullptr, 10);
}

RecordingPlace placeFrom(const std::vector<std::string>& texts) {
    return texts.size() < 2 ? RecordingPlace{} : RecordingPlace{number(texts[0]), texts[1] == "1"};
}

std::string shownFile(Store& store, FileId id) {
    const auto file = store.files().find(id);
    if (!file)
        return {};
    const std::string title = tags::firstValue(file->tags.fields, "title");
    return title.empty() ? text::forDisplay(file->path.filename().native()) : title;
}

std::string shownRecording(Store& store, RecordingId id) {
    const std::vector<FileId> files = store.recordings().filesOf(id);
    return files.empty() ? std::string() : shownFile(store, files.front());
}

/// One change while it is put together: everything is done at once, and noted.
class Change {
public:
    explicit Change(Store& store) : store_(store), transaction_(store.database()) {}

    void setValues(RecordingId recording, const std::string& field, const std::vector<std::string>& values) {
        add({Kind::Value, recording, field, store_.recordings().values(recording, field), values,
             shownRecording(store_, recording)});
    }
    void put(FileId file, const RecordingPlace& place) {
        put(file, store_.recordings().placeOf(file), place);
    }
    /// `before`: where it goes when this is taken back.
    void put(FileId file, const RecordingPlace& before, const RecordingPlace& place) {
        add({Kind::Member, file, {}, placeTexts(before), placeTexts(place), shownFile(store_, file)});
    }
    void choose(RecordingId recording, FileId file) {
        auto texts = [](FileId id) {
            return id == 0 ? std::vector<std::string>() : std::vector<std::string>{std::to_string(id)};
        };
        add({Kind::Best,
             recording,
             {},
             texts(store_.recordings().chosenOf(recording)),
             texts(file),
             shownRecording(store_, recording)});
    }
    void forget(FileId file) {
        add({Kind::File, file, {}, store_.files().row(file), {}, shownFile(store_, file)});
    }
    void touch(const std::vector<FileId>& files) { touched_.insert(files.begin(), files.end()); }

    ChangeOutcome commit(const std::string& title);

private:
    void add(ChangePart part);

    Store& store_;
    Transaction transaction_;
    std::vector<ChangePart> parts_;
    std::set<FileId> touched_;
};

std::vector<std::string> now(Store& store, const ChangePart& part) {
    switch (part.kind) {
    case Kind::Value:
        return store.recordings().values(part.subject, part.field);
    case Kind::Member:
        return placeTexts(store.recordings().placeOf(part.subject));
    case Kind::Best: {
        const FileId best = store.recordings().chosenOf(part.subject);
        return best == 0 ? std::vector<std::string>() : std::vector<std::string>{std::to_string(best)};
    }
    case Kind::File:
        return store.files().row(part.subject);
    }
    return {};
}

void set(Store& store, const ChangePart& part, const std::vector<std::string>& values,
         std::set<FileId>& touched) {
    auto touchFilesOf = [&](RecordingId recording) {
        for (FileId file : store.recordings().filesOf(recording))
            touched.insert(file);
    };
    switch (part.kind) {
    case Kind::Value:
        store.recordings().setValues(part.subject, part.field, values);
        touchFilesOf(part.subject);
        break;
    case Kind::Member:
        touchFilesOf(store.recordings().placeOf(part.subject).recording);
        store.recordings().put(part.subject, placeFrom(values));
        touchFilesOf(placeFrom(values).recording);
        touched.insert(part.subject);
        break;
    case Kind::Best:
        store.recordings().choose(part.subject, values.empty() ? 0 : number(values.front()));
        touchFilesOf(part.subject);
        break;
    case Kind::File:
        if (values.empty())
            store.files().forget(part.subject);
        else
            store.files().putRow(part.subject, values);
        touched.insert(part.subject);
        break;
    }
}

void Change::add(ChangePart part) {
    if (now(store_, part) == part.after)
        return;
    set(store_, part, part.after, touched_);
    parts_.push_back(std::move(part));
}

ChangeOutcome Change::commit(const std::string& title) {
    ChangeOutcome out;
    if (!parts_.empty())
        out.change = store_.changes().add(title, parts_);
    transaction_.commit();
    out.touched.assign(touched_.begin(), touched_.end());
    return out;
}

/// All recordings of the group into one. True if there were several.
bool merge(Store& store, Change& change, const std::vector<FileId>& files, bool byHand) {
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
            }
        }
        if (const FileId best = store.recordings().chosenOf(id);
            best != 0 && store.recordings().chosenOf(into) == 0)
            change.choose(into, best);
        for (FileId file : store.recordings().filesOf(id)) {
            const RecordingPlace before = store.recordings().placeOf(file);
            // What was joined by itself and is taken back by a person stays apart.
            change.put(file, byHand ? before : RecordingPlace{before.recording, true},
                       {into, byHand || before.byHand});
        }
    }
    return true;
}

bool isLossless(const FileRecord& f) {
    return f.tags.facts.bitDepth > 0; // lossy codecs have none
}

Error invalid(std::string sentence) {
    return {ErrorKind::Invalid, {}, std::move(sentence)};
}

} // namespace

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
    Change change(store);
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
    Change change(store);
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

Result<ChangeOutcome> mergeRecordings(Store& store, const std::vector<FileId>& files) {
    Change change(store);
    if (!merge(store, change, files, true))
        return invalid("These files are one recording already.");
    return change.commit(
        fmt::format("Make one recording of {} files", store.recordings().withOthers({files.front()}).size()));
}

Result<ChangeOutcome> partFiles(Store& store, const std::vector<FileId>& files) {
    Change change(store);
    std::map<RecordingId, std::vector<FileId>> from;
    for (FileId file : files)
        if (store.files().find(file))
            from[store.recordings().ensure(file)].push_back(file);
    size_t parted = 0;
    for (const auto& [recording, members] : from) {
        if (store.recordings().filesOf(recording).size() <= members.size())
            continue;
        const RecordingId own = store.recordings().add();
        const auto kept = store.recordings().allValues(recording);
        for (FileId file : members)
            change.put(file, {own, true});
        for (const auto& [field, values] : kept)
            change.setValues(own, field, values);
        const FileId best = store.recordings().chosenOf(recording);
        if (std::ranges::find(members, best) != members.end())
            change.choose(recording, 0);
        for (FileId file :
             store.recordings().filesOf(recording)) // nor is what is left joined with them again
            change.put(file, {recording, true});
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
    Change change(store);
    change.choose(store.recordings().ensure(file), chosen ? file : 0);
    return change.commit(chosen ? "Choose the best file" : "Let the best file be found");
}

Result<ChangeOutcome> forgetAbsent(Store& store, const std::vector<FileId>& files) {
    Change change(store);
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
    Change change(store);
    size_t joined = 0;
    for (const std::vector<FileId>& group : groups) {
        std::vector<FileId> free;
        for (FileId file : group)
            if (!store.recordings().placeOf(file).byHand)
                free.push_back(file);
        joined += merge(store, change, free, false) ? 1 : 0;
    }
    return change.commit(joined == 1
                             ? "Join files with the same sound to a recording"
                             : fmt::format("Join files with the same sound to {} recordings", joined));
}

namespace {

Result<ChangeOutcome> turn(Store& store, int64_t id, bool back) {
    const auto change = store.changes().find(id);
    if (!change)
        return invalid("The journal has no such change.");
    if (change->takenBack == back)
        return invalid(back ? "It was taken back already." : "It was not taken back.");
    Transaction transaction(store.database());
    std::set<FileId> touched;
    std::vector<ChangePart> parts = store.changes().parts(id);
    if (back)
        std::ranges::reverse(parts);
    for (const ChangePart& part : parts) {
        if (now(store, part) != (back ? part.after : part.before)) {
            const auto later = store.changes().laterOn(id, part);
            return Error{ErrorKind::Changed,
                         {},
                         later
                             ? fmt::format("\"{}\" was changed again by \"{}\". Take that back first.",
                                           part.shown, later->title)
                             : fmt::format("What is kept of \"{}\" is not what this change left. Nothing was "
                                           "taken back.",
                                           part.shown)};
        }
        set(store, part, back ? part.before : part.after, touched);
    }
    store.changes().setTakenBack(id, back);
    transaction.commit();
    return ChangeOutcome{id, {touched.begin(), touched.end()}};
}

} // namespace

Result<ChangeOutcome> takeBackChange(Store& store, int64_t change) {
    return turn(store, change, true);
}

Result<ChangeOutcome> makeChangeAgain(Store& store, int64_t change) {
    return turn(store, change, false);
}

} // namespace moorfrost::library
