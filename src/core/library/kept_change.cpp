// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/kept_change.h"

#include <algorithm>
#include <cstdlib>

#include <fmt/format.h>

#include "core/library/people/song_standing.h"
#include "core/text/text.h"

namespace moorfrost::library {

using Kind = ChangePart::Kind;
using Texts = std::vector<std::string>;

namespace {

int64_t number(const std::string& text) {
    return std::strtoll(text.c_str(), nullptr, 10);
}

Texts placeTexts(const RecordingPlace& place) {
    if (place.recording == 0)
        return {};
    return {std::to_string(place.recording), place.byHand ? "1" : "0"};
}

RecordingPlace placeFrom(const Texts& texts) {
    return texts.size() < 2 ? RecordingPlace{} : RecordingPlace{number(texts[0]), texts[1] == "1"};
}

Texts numberTexts(const std::vector<int64_t>& numbers) {
    Texts out;
    for (const int64_t n : numbers)
        out.push_back(std::to_string(n));
    return out;
}

Texts collectionTexts(const Collection& c) {
    if (c.id == 0)
        return {};
    Texts out = {std::to_string(static_cast<int>(c.kind)),
                 c.name,
                 c.note,
                 c.query,
                 std::to_string(static_cast<int>(c.seenBy)),
                 std::to_string(c.created)};
    out.insert(out.end(), c.people.begin(), c.people.end());
    return out;
}

Collection collectionFrom(CollectionId id, const Texts& texts) {
    Collection out;
    out.id = id;
    out.kind = static_cast<Collection::Kind>(std::clamp<int64_t>(number(texts[0]), 0, 2));
    out.name = texts[1];
    out.note = texts[2];
    out.query = texts[3];
    out.seenBy = static_cast<Collection::SeenBy>(std::clamp<int64_t>(number(texts[4]), 0, 2));
    out.created = number(texts[5]);
    out.people.assign(texts.begin() + 6, texts.end());
    return out;
}

std::string entryText(const ListEntry& entry) {
    return entry.file == 0 ? std::to_string(entry.recording)
                           : fmt::format("{} {}", entry.recording, entry.file);
}

ListEntry entryFrom(const std::string& text) {
    const size_t space = text.find(' ');
    return {number(text), space == std::string::npos ? 0 : number(text.substr(space + 1))};
}

Texts entryTexts(const std::vector<ListEntry>& entries) {
    Texts out;
    for (const ListEntry& e : entries)
        out.push_back(entryText(e));
    return out;
}

Texts factTexts(const std::optional<Fact>& fact) {
    if (!fact)
        return {};
    Texts out = {fact->none ? "1" : "0", fact->origin, std::to_string(fact->when)};
    out.insert(out.end(), fact->values.begin(), fact->values.end());
    return out;
}

std::optional<Fact> factFrom(const Texts& texts) {
    if (texts.size() < 3)
        return std::nullopt;
    return Fact{{texts.begin() + 3, texts.end()}, texts[0] == "1", texts[1], number(texts[2])};
}

Texts trackTexts(const std::vector<KeptTrack>& tracks) {
    Texts out;
    for (const KeptTrack& t : tracks)
        out.push_back(std::to_string(t.recording) + " " + t.content);
    return out;
}

std::vector<KeptTrack> tracksFrom(const Texts& texts) {
    std::vector<KeptTrack> out;
    for (const std::string& one : texts) {
        const size_t space = std::min(one.find(' '), one.size());
        out.push_back({one.substr(std::min(space + 1, one.size())), number(one.substr(0, space))});
    }
    return out;
}

Texts releaseTexts(int64_t id) {
    return id == 0 ? Texts() : Texts{std::to_string(id)};
}

Texts cardTexts(const CardTable::Row& row) {
    return row.since == 0 ? Texts()
                          : Texts{std::to_string(row.since), std::to_string(static_cast<int>(row.kind))};
}

/// By the name or the title that is kept.
std::string shownCard(Store& store, CardId id) {
    for (const char* key : {"name", "title"})
        if (const auto fact = store.cards().fact(id, key); fact && !fact->values.empty())
            return fact->values.front();
    return {};
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

/// By the title that is kept, else by that of its first file.
std::string shownRelease(Store& store, ReleaseId id) {
    if (const auto title = store.releases().fact(id, "title"); title && !title->values.empty())
        return title->values.front();
    for (const FileId file : store.releases().filesOf(id))
        if (const auto record = store.files().find(file))
            if (std::string album = tags::firstValue(record->tags.fields, "album"); !album.empty())
                return album;
    return {};
}

/// What is there now of what a part made otherwise; `as`: what is expected, which tells how much of a list.
Texts now(Store& store, const ChangePart& part, const Texts& as) {
    switch (part.kind) {
    case Kind::Value:
        return store.recordings().values(part.subject, part.field);
    case Kind::Member:
        return placeTexts(store.recordings().placeOf(part.subject));
    case Kind::Best: {
        const FileId best = store.recordings().chosenOf(part.subject);
        return best == 0 ? Texts() : Texts{std::to_string(best)};
    }
    case Kind::File:
        return store.files().row(part.subject);
    case Kind::Collection:
        return collectionTexts(store.collections().find(part.subject));
    case Kind::Children:
        return numberTexts(store.collections().childrenOf(part.subject));
    case Kind::Entries:
        return entryTexts(
            store.collections().entries(part.subject, static_cast<size_t>(number(part.field)), as.size()));
    case Kind::Release:
        return releaseTexts(store.releases().sinceOf(part.subject));
    case Kind::Fact:
        return factTexts(store.releases().fact(part.subject, part.field));
    case Kind::Tracks:
        return trackTexts(store.releases().tracks(part.subject, static_cast<int>(number(part.field))));
    case Kind::OfRelease:
        return releaseTexts(store.releases().releaseOf(part.subject));
    case Kind::Card:
        return cardTexts(store.cards().find(part.subject));
    case Kind::CardFact:
        return factTexts(store.cards().fact(part.subject, part.field));
    }
    return {};
}

/// `instead`: of what is there now (see now()).
void set(Store& store, const ChangePart& part, const Texts& instead, const Texts& values,
         std::set<FileId>& touched, ChangeOutcome& outcome) {
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
    case Kind::Collection:
        values.empty() ? store.collections().remove(part.subject)
                       : store.collections().save(collectionFrom(part.subject, values));
        outcome.collections = true;
        break;
    case Kind::Children: {
        std::vector<CollectionId> children;
        for (const std::string& v : values)
            children.push_back(number(v));
        store.collections().setChildren(part.subject, children);
        outcome.collections = true;
        break;
    }
    case Kind::Entries: {
        std::vector<ListEntry> entries;
        for (const std::string& v : values)
            entries.push_back(entryFrom(v));
        store.collections().splice(part.subject, static_cast<size_t>(number(part.field)), instead.size(),
                                   entries);
        outcome.collections = true;
        break;
    }
    case Kind::Release:
        values.empty() ? store.releases().remove(part.subject)
                       : store.releases().add(part.subject, number(values.front()));
        outcome.releases = true;
        break;
    case Kind::Fact:
        store.releases().setFact(part.subject, part.field, factFrom(values));
        outcome.releases = true;
        break;
    case Kind::Tracks:
        store.releases().setTracks(part.subject, static_cast<int>(number(part.field)), tracksFrom(values));
        outcome.releases = true;
        break;
    case Kind::OfRelease:
        store.releases().putFile(part.subject, values.empty() ? 0 : number(values.front()));
        outcome.releases = true;
        break;
    case Kind::Card:
        if (values.size() < 2)
            store.cards().remove(part.subject);
        else
            store.cards().add(part.subject,
                              static_cast<CardKind>(std::clamp<int64_t>(number(values[1]), 0, cardKinds - 1)),
                              number(values[0]));
        outcome.cards = true;
        break;
    case Kind::CardFact:
        store.cards().setFact(part.subject, part.field, factFrom(values));
        outcome.cards = true;
        break;
    }
}

Error invalid(std::string sentence) {
    return {ErrorKind::Invalid, {}, std::move(sentence)};
}

} // namespace

void KeptChange::setValues(RecordingId recording, const std::string& field, const Texts& values) {
    add({Kind::Value, recording, field, store_.recordings().values(recording, field), values,
         shownRecording(store_, recording)});
}

void KeptChange::put(FileId file, const RecordingPlace& place) {
    put(file, store_.recordings().placeOf(file), place);
}

void KeptChange::put(FileId file, const RecordingPlace& before, const RecordingPlace& place) {
    add({Kind::Member, file, {}, placeTexts(before), placeTexts(place), shownFile(store_, file)});
}

void KeptChange::choose(RecordingId recording, FileId file) {
    const FileId before = store_.recordings().chosenOf(recording);
    add({Kind::Best,
         recording,
         {},
         before == 0 ? Texts() : Texts{std::to_string(before)},
         file == 0 ? Texts() : Texts{std::to_string(file)},
         shownRecording(store_, recording)});
}

void KeptChange::forget(FileId file) {
    setReleaseOf(file, 0);
    add({Kind::File, file, {}, store_.files().row(file), {}, shownFile(store_, file)});
}

void KeptChange::setCollection(const Collection& collection) {
    const Collection before = store_.collections().find(collection.id);
    add({Kind::Collection,
         collection.id,
         {},
         collectionTexts(before),
         collectionTexts(collection),
         before.id == 0 ? collection.name : before.name});
}

void KeptChange::removeCollection(CollectionId id) {
    const Collection before = store_.collections().find(id);
    add({Kind::Collection, id, {}, collectionTexts(before), {}, before.name});
}

void KeptChange::setChildren(CollectionId folder, const std::vector<CollectionId>& children) {
    add({Kind::Children,
         folder,
         {},
         numberTexts(store_.collections().childrenOf(folder)),
         numberTexts(children),
         folder == 0 ? std::string() : store_.collections().find(folder).name});
}

void KeptChange::splice(CollectionId list, size_t at, size_t removed,
                        const std::vector<ListEntry>& inserted) {
    add({Kind::Entries, list, std::to_string(at), entryTexts(store_.collections().entries(list, at, removed)),
         entryTexts(inserted), store_.collections().find(list).name});
}

void KeptChange::addRelease(ReleaseId id, int64_t since) {
    add({Kind::Release, id, {}, releaseTexts(store_.releases().sinceOf(id)), releaseTexts(since), {}});
}

void KeptChange::removeRelease(ReleaseId id) {
    const std::string title = shownRelease(store_, id);
    for (const FileId file : store_.releases().filesOf(id))
        setReleaseOf(file, 0);
    for (const auto& [medium, tracks] : store_.releases().tracks(id))
        setTracks(id, medium, {});
    for (const auto& [field, fact] : store_.releases().facts(id))
        setFact(id, field, std::nullopt);
    add({Kind::Release, id, {}, releaseTexts(store_.releases().sinceOf(id)), {}, title});
}

void KeptChange::setFact(ReleaseId id, const std::string& field, const std::optional<Fact>& fact) {
    add({Kind::Fact, id, field, factTexts(store_.releases().fact(id, field)), factTexts(fact),
         shownRelease(store_, id)});
}

void KeptChange::setTracks(ReleaseId id, int medium, const std::vector<KeptTrack>& tracks) {
    add({Kind::Tracks, id, std::to_string(medium), trackTexts(store_.releases().tracks(id, medium)),
         trackTexts(tracks), shownRelease(store_, id)});
}

void KeptChange::setReleaseOf(FileId file, ReleaseId id) {
    add({Kind::OfRelease,
         file,
         {},
         releaseTexts(store_.releases().releaseOf(file)),
         releaseTexts(id),
         shownFile(store_, file)});
}

void KeptChange::addCard(CardId id, CardKind kind, int64_t since) {
    add({Kind::Card, id, {}, cardTexts(store_.cards().find(id)), cardTexts({kind, since}), {}});
}

void KeptChange::removeCard(CardId id) {
    const std::string name = shownCard(store_, id);
    for (const auto& [field, fact] : store_.cards().facts(id))
        setCardFact(id, field, std::nullopt);
    add({Kind::Card, id, {}, cardTexts(store_.cards().find(id)), {}, name});
}

void KeptChange::setCardFact(CardId id, const std::string& field, const std::optional<Fact>& fact) {
    add({Kind::CardFact, id, field, factTexts(store_.cards().fact(id, field)), factTexts(fact),
         shownCard(store_, id)});
}

void KeptChange::add(ChangePart part) {
    const bool isSplice = part.kind == Kind::Entries;
    if (isSplice ? part.before == part.after : now(store_, part, part.after) == part.after)
        return;
    set(store_, part, part.before, part.after, touched_, outcome_);
    parts_.push_back(std::move(part));
}

ChangeOutcome KeptChange::commit(const std::string& title) {
    for (ChangePart& part : parts_) // what is called by what was said of it later
        if (part.shown.empty()) {
            if (part.kind == Kind::Release)
                part.shown = shownRelease(store_, part.subject);
            else if (part.kind == Kind::Card || part.kind == Kind::CardFact)
                part.shown = shownCard(store_, part.subject);
        }
    if (!parts_.empty())
        outcome_.change = store_.changes().add(title, parts_);
    noteStandings(store_, parts_, touched_);
    transaction_.commit();
    outcome_.touched.assign(touched_.begin(), touched_.end());
    return outcome_;
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
    ChangeOutcome out;
    out.change = id;
    std::vector<ChangePart> parts = store.changes().parts(id);
    if (back)
        std::ranges::reverse(parts);
    for (const ChangePart& part : parts) {
        const Texts& expected = back ? part.after : part.before;
        // What stands at places of a list tells too little: those places move.
        const bool otherwise = part.kind == Kind::Entries && store.changes().laterOn(id, part);
        if (otherwise || now(store, part, expected) != expected) {
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
        set(store, part, expected, back ? part.before : part.after, touched, out);
    }
    store.changes().setTakenBack(id, back);
    noteStandings(store, parts, touched);
    transaction.commit();
    out.touched.assign(touched.begin(), touched.end());
    return out;
}

} // namespace

Result<ChangeOutcome> takeBackChange(Store& store, int64_t change) {
    return turn(store, change, true);
}

Result<ChangeOutcome> makeChangeAgain(Store& store, int64_t change) {
    return turn(store, change, false);
}

} // namespace moorfrost::library
