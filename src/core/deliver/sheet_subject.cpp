// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/deliver/sheet_subject.h"

#include <algorithm>
#include <set>

#include <fmt/format.h>

#include "core/library/draft_fields.h"
#include "core/library/families/families.h"
#include "core/library/people/card_view.h"
#include "core/library/recordings.h"
#include "core/library/releases/release_pictures.h"
#include "core/text/text.h"

namespace moorfrost::deliver {

namespace {

using library::CardId;
using library::Fact;
using library::FileId;
using library::Store;
using Strings = std::vector<std::string>;

/// What is wanted of a card is asked of the store once, though many songs name it.
class Cards {
public:
    Cards(Store& store, const library::People& people) : store_(store), people_(people) {}
    const library::Facts& facts(CardId id) {
        const auto [at, isNew] = facts_.try_emplace(id);
        if (isNew)
            at->second = store_.cards().facts(id);
        return at->second;
    }
    std::string name(CardId id) const { return people_.nameOf(id); }
    bool isNone(CardId id, std::string_view key) {
        const library::Facts& all = facts(id);
        const auto fact = all.find(key);
        return fact != all.end() && fact->second.none;
    }

private:
    Store& store_;
    const library::People& people_;
    std::map<CardId, library::Facts> facts_;
};

SheetSide sideOf(Cards& cards, const std::vector<library::Share>& shares, bool asksNumbers) {
    SheetSide out;
    auto nameOf = [&](CardId id) { return cards.name(id); };
    for (const library::Share& s : library::sharesThatHold(shares, {})) {
        SheetName& n = out.names.emplace_back();
        n.party = s.party;
        n.name = library::shownParty(s, nameOf);
        n.roles = s.roles;
        n.part = s.part;
        n.territory = s.territory;
        n.from = s.from;
        for (const CardId id : s.forWhom)
            n.forWhom.push_back(cards.name(id));
        if (s.party != 0)
            n.number = library::firstFact(cards.facts(s.party), "ipi");
        // A publisher without a name is none.
        const bool isSomebody = s.party != 0 || !s.name.empty();
        n.lacksNumber =
            asksNumbers && isSomebody && n.number.empty() && (s.party == 0 || !cards.isNone(s.party, "ipi"));
    }
    if (!shares.empty())
        out.sums = library::sumsOf(shares, {});
    return out;
}

SheetWork workOf(Cards& cards, CardId id) {
    using library::Side;
    SheetWork out;
    const library::Facts& facts = cards.facts(id);
    out.id = id;
    out.title = library::nameOfCard(library::CardKind::Work, facts);
    out.iswc = library::firstFact(facts, "iswc");
    out.language = library::firstFact(facts, "language");
    out.description = library::firstFact(facts, "description");
    out.lyrics = library::firstFact(facts, "lyrics");
    out.noIswc = cards.isNone(id, "iswc");
    out.noLyrics = cards.isNone(id, "lyrics");
    out.keywords = library::factValues(facts, "keywords");
    out.writers =
        sideOf(cards, library::sharesFrom(library::factValues(facts, library::sideKey(Side::Writers))), true);
    out.publishers = sideOf(
        cards, library::sharesFrom(library::factValues(facts, library::sideKey(Side::Publishers))), true);
    return out;
}

/// A file as it will be.
struct Known {
    library::FileRecord record;
    tags::Fields fields;
};
std::optional<Known> knownFile(Store& store, FileId id) {
    auto record = store.files().find(id);
    if (!record)
        return std::nullopt;
    Known out{std::move(*record), {}};
    out.fields = out.record.tags.fields;
    library::putDrafts(out.fields, store.drafts().of(id));
    return out;
}

std::vector<SheetVersion> versionsOf(Store& store, library::RecordingId recording) {
    std::vector<SheetVersion> out;
    if (recording == 0)
        return out;
    const library::Family family = library::familyOf(store, recording);
    for (const library::FamilyMember& m : family.members) {
        if (m.recording == recording || m.files.empty())
            continue;
        const auto file = knownFile(store, m.files.front());
        if (!file)
            continue;
        SheetVersion& v = out.emplace_back();
        v.name = library::shownVersion(m.kind, m.detail);
        v.title = tags::firstValue(file->fields, "title");
        v.seconds = file->record.tags.facts.duration;
        v.isrc = tags::firstValue(file->fields, "isrc");
        if (m.kind == library::stemVersion)
            v.stem = m.detail.empty() ? v.title : m.detail;
    }
    return out;
}

std::string formatText(const library::FileRecord& file) {
    const tags::Facts& f = file.tags.facts;
    Strings parts;
    if (!f.codec.empty())
        parts.push_back(f.codec);
    if (f.bitDepth > 0)
        parts.push_back(fmt::format("{} bit", f.bitDepth));
    if (f.sampleRate > 0)
        parts.push_back(fmt::format("{:g} kHz", f.sampleRate / 1000.0));
    if (f.channels > 0)
        parts.push_back(f.channels == 1   ? "mono"
                        : f.channels == 2 ? "stereo"
                                          : fmt::format("{} channels", f.channels));
    return text::join(parts, ", ");
}

void addDetails(SheetSong& song, const Known& file) {
    for (const char* key :
         {"performer", "conductor", "producer", "engineer", "remixer", "original_date", "encoded_by"})
        if (const auto values = file.fields.find(std::string_view(key)); values != file.fields.end())
            song.details.emplace_back(tags::labelOf(key), text::join(values->second, ", "));
    // Custom fields have the rest: studio, place, players.
    for (const auto& [key, values] : file.fields)
        if (const tags::FieldDef* def = tags::fieldByKey(key);
            def && !tags::isStandard(key) && !values.empty())
            song.details.emplace_back(def->label, text::join(values, ", "));
    for (const auto& [name, text] : file.record.tags.facts.remarks)
        song.details.emplace_back(name, text);
    if (const std::string format = formatText(file.record); !format.empty())
        song.details.emplace_back("Kept as", format);
    if (!song.copyright.empty())
        song.details.emplace_back("Copyright", song.copyright);
}

void addContacts(Cards& cards, SheetSong& song) {
    std::vector<CardId> asked;
    std::set<CardId> seen;
    std::function<void(CardId)> ask = [&](CardId id) {
        if (id == 0 || !seen.insert(id).second)
            return;
        asked.push_back(id);
        for (const std::string& one : library::factValues(cards.facts(id), "represented"))
            ask(std::strtoll(one.c_str(), nullptr, 10));
    };
    auto askAll = [&](const SheetSide& side) {
        for (const SheetName& n : side.names)
            ask(n.party);
    };
    askAll(song.owners);
    for (const SheetWork& work : song.works) {
        askAll(work.publishers);
        askAll(work.writers);
    }
    for (const bool forLicences : {true, false}) // those that are for licences first
        for (const CardId id : asked)
            for (const std::string& one : library::factValues(cards.facts(id), "contacts")) {
                library::Contact contact = library::contactFrom(one);
                const bool isFor = text::fold(contact.purpose).find("licen") != std::string::npos;
                if (isFor == forLicences)
                    song.contacts.push_back({id, cards.name(id), std::move(contact)});
            }
}

/// What the recording and its works say.
void addKept(Store& store, Cards& cards, SheetSong& song) {
    if (song.recording != 0) {
        const auto kept = store.recordings().allValues(song.recording);
        auto values = [&](const char* key) {
            const auto it = kept.find(key);
            return it == kept.end() ? Strings() : it->second;
        };
        for (const std::string& id : values(library::workField))
            song.works.push_back(workOf(cards, std::strtoll(id.c_str(), nullptr, 10)));
        song.owners = sideOf(cards, library::sharesFrom(values(library::masterField)), false);
        for (library::Bookmark& mark : library::bookmarksFrom(values(library::bookmarkField)))
            song.marks.push_back(std::move(mark));
        song.versions = versionsOf(store, song.recording);
    }
    for (const SheetWork& work : song.works)
        if (song.language.empty())
            song.language = work.language;
    addContacts(cards, song);
}

std::optional<SheetSong> songOf(Store& store, Cards& cards, FileId id) {
    const auto file = knownFile(store, id);
    if (!file)
        return std::nullopt;
    SheetSong song;
    auto shown = [&](const char* key) {
        const auto it = file->fields.find(std::string_view(key));
        return it == file->fields.end() ? std::string() : text::join(it->second, ", ");
    };
    song.file = id;
    song.recording = store.recordings().placeOf(id).recording;
    song.title = tags::firstValue(file->fields, "title");
    if (song.title.empty())
        song.title = text::forDisplay(file->record.path.stem().native());
    song.artist = shown("artist");
    song.release = shown("album");
    song.date = shown("date");
    song.genre = shown("genre");
    song.mood = shown("mood");
    song.tempo = shown("tempo");
    song.key = shown("key");
    song.language = shown("language");
    song.label = shown("label");
    song.catalogueNumber = shown("catalogue_number");
    song.copyright = shown("copyright");
    song.lyrics = tags::firstValue(file->fields, "lyrics");
    song.seconds = file->record.tags.facts.duration;
    if (const auto isrcs = file->fields.find(std::string_view("isrc")); isrcs != file->fields.end())
        song.isrcs = isrcs->second;
    if (const auto links = file->fields.find(std::string_view("website")); links != file->fields.end())
        song.links = links->second;
    if (const auto pictures = library::picturesOfRelease({file->record}, nullptr);
        const library::ReleasePicture* cover = library::coverOf(pictures)) {
        song.picture = cover->info;
        song.pictureIn = cover->holder;
    }
    addDetails(song, *file);
    addKept(store, cards, song);
    return song;
}

void takeRelease(Store& store, Cards& cards, const library::ReleaseRef& ref, SheetSubject& out) {
    const library::ReleaseView view = library::releaseView(store, ref);
    const reference::Release& r = view.release;
    out.isRelease = true;
    out.ref = view.ref;
    out.title = r.title;
    out.artist = r.credit.text();
    out.date = r.date();
    out.country = r.country();
    out.barcode = r.barcode;
    out.carrier = r.carrier();
    out.notes = r.notes;
    out.links = r.links;
    if (!r.labels.empty()) {
        out.label = r.labels.front().name;
        out.catalogueNumber = r.labels.front().catalogueNumber;
    }
    if (const library::ReleasePicture* cover = library::coverOf(view.pictures)) {
        out.picture = cover->info;
        out.pictureIn = cover->holder;
    }
    for (const library::MediumView& medium : view.media)
        for (const library::TrackView& track : medium.tracks) {
            if (out.songs.size() == mostSongs) {
                ++out.leftOut;
                continue;
            }
            SheetSong song;
            if (!track.files.empty())
                song = songOf(store, cards, track.files.front()).value_or(SheetSong());
            if (song.file == 0) {
                song.recording = track.recording;
                addKept(store, cards, song);
            }
            // As it is printed here.
            if (!track.printed.title.empty())
                song.title = track.printed.title;
            if (const std::string credit = track.printed.credit.text(); !credit.empty())
                song.artist = credit;
            else if (song.artist.empty())
                song.artist = out.artist;
            if (song.seconds == 0)
                song.seconds = static_cast<double>(track.printed.lengthMs) / 1000;
            if (song.isrcs.empty())
                song.isrcs = track.printed.isrcs;
            song.release = out.title;
            song.position =
                (view.media.size() > 1 ? std::to_string(&medium - view.media.data() + 1) + "-" : "") +
                track.printed.position;
            out.songs.push_back(std::move(song));
        }
}

} // namespace

std::vector<FileId> filesOf(Store& store, const SheetOf& of) {
    if (!of.songs.empty() || of.isEmpty())
        return of.songs;
    std::vector<FileId> out;
    for (const library::MediumView& medium : library::releaseView(store, of.release).media)
        for (const library::TrackView& track : medium.tracks)
            if (!track.files.empty())
                out.push_back(track.files.front());
    return out;
}

SheetSubject sheetSubject(Store& store, const library::People& people, const SheetOf& of) {
    SheetSubject out;
    Cards cards(store, people);
    if (of.songs.empty()) {
        if (!of.isEmpty())
            takeRelease(store, cards, of.release, out);
        return out;
    }
    for (const FileId id : of.songs) {
        if (out.songs.size() == mostSongs) {
            out.leftOut = static_cast<size_t>(&of.songs.back() - &id) + 1;
            break;
        }
        if (auto song = songOf(store, cards, id))
            out.songs.push_back(std::move(*song));
        else
            out.unknown.push_back(id);
    }
    if (out.songs.size() == 1)
        out.title = out.songs.front().title;
    else if (!out.songs.empty())
        out.title = fmt::format("{} songs", out.songs.size());
    return out;
}

} // namespace moorfrost::deliver
