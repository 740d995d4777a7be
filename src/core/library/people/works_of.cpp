// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/people/works_of.h"

#include <algorithm>
#include <set>

#include <fmt/format.h>

#include "core/library/families/families.h"
#include "core/library/people/card_parts.h"
#include "core/text/text.h"

namespace moorfrost::library {

using namespace cards;

namespace {

/// The people that tags name in a role; what several fields name once with all roles.
std::vector<Share> writersInTags(const tags::Fields& fields, const std::map<std::string, CardId>& partyOf) {
    std::vector<Share> out;
    for (const auto& [field, role] : {std::pair("lyricist", "author"), std::pair("composer", "composer"),
                                      std::pair("arranger", "arranger")}) {
        const auto values = fields.find(field);
        if (values == fields.end())
            continue;
        for (const std::string& name : values->second) {
            const auto known = partyOf.find(text::fold(name));
            const CardId party = known == partyOf.end() ? 0 : known->second; // or several are called so
            const auto same = std::ranges::find_if(out, [&](const Share& s) {
                return party != 0 ? s.party == party : text::fold(s.name) == text::fold(name);
            });
            if (same != out.end())
                same->roles.emplace_back(role);
            else
                out.push_back({party, party == 0 ? name : std::string(), {role}, std::nullopt});
        }
    }
    return out;
}

} // namespace

namespace {

/// Works by their titles, to find the one that a recording is of.
class KnownWorks {
public:
    explicit KnownWorks(Store& store) : store_(store) {
        for (const auto& [id, facts] : store.cards().allFacts(CardKind::Work))
            add(id, nameOfCard(CardKind::Work, facts), sharesFrom(factValues(facts, sideKey(Side::Writers))));
    }
    void add(CardId work, const std::string& title, const std::vector<Share>& writers) {
        byTitle_[text::fold(title)].emplace_back(work, named(writers));
    }
    /// 0: none.
    CardId find(const std::string& title, const std::vector<Share>& writers, const std::string& artist) {
        const auto known = byTitle_.find(text::fold(title));
        if (known == byTitle_.end())
            return 0;
        const std::set<std::string> who = named(writers);
        for (const auto& [id, theirs] : known->second) {
            if (!who.empty() && std::ranges::includes(theirs, who))
                return id;
            // Many songs are called so: where no writer tells them apart the artist does.
            if ((who.empty() || theirs.empty()) && !artist.empty() && isBy(id, artist))
                return id;
        }
        return 0;
    }

private:
    static std::set<std::string> named(const std::vector<Share>& shares) {
        std::set<std::string> out;
        for (const Share& s : shares)
            out.insert(s.party != 0 ? std::to_string(s.party) : text::fold(s.name));
        return out;
    }
    /// One of its recordings is of this artist.
    bool isBy(CardId work, const std::string& artist) {
        for (const RecordingId recording : store_.recordings().withValue(workField, std::to_string(work)))
            for (const FileId file : store_.recordings().filesOf(recording))
                if (const auto record = store_.files().find(file);
                    record &&
                    text::fold(tags::firstValue(record->tags.fields, "artist")) == text::fold(artist))
                    return true;
        return false;
    }

    Store& store_;
    std::map<std::string, std::vector<std::pair<CardId, std::set<std::string>>>> byTitle_;
};

/// What a new work is told by.
CardValues factsFrom(const tags::Fields& fields, const std::string& title,
                     const std::vector<Share>& writers) {
    CardValues out = {{"title", {title}}};
    for (const char* key : {"iswc", "language", "lyrics"})
        if (const std::string value = tags::firstValue(fields, key); !value.empty())
            if (whyNotCardFact(CardKind::Work, key, {value}).empty()) // what tags hold need not make sense
                out[key] = {value};
    if (!writers.empty() && whyNotShares(Side::Writers, writers).empty())
        out[sideKey(Side::Writers)] = shareTexts(writers);
    return out;
}

/// A title of tags as that of a work: one line.
std::string titleFrom(const FileRecord& file) {
    std::string out = tags::firstValue(file.tags.fields, "title");
    for (char& c : out)
        if (static_cast<unsigned char>(c) < 0x20 || c == 0x7F)
            c = ' ';
    out = text::trim(out);
    return out.empty() ? text::forDisplay(file.path.stem().native()) : text::clipBytes(out, 4000);
}

} // namespace

Result<ChangeOutcome> makeWorksOf(Store& store, const std::vector<FileId>& files, size_t& made) {
    made = 0;
    KeptChange change(store);
    const std::map<std::string, CardId> partyOf = partiesByName(store);
    KnownWorks works(store);
    std::set<RecordingId> done;
    size_t recordings = 0;
    for (const FileId file : files) {
        auto record = store.files().find(file);
        if (!record)
            continue;
        const RecordingId recording = store.recordings().ensure(file);
        if (!done.insert(recording).second || !store.recordings().values(recording, workField).empty())
            continue;
        // All versions of a recording are of one song, which is called after the lead.
        std::vector<RecordingId> versions = {recording};
        CardId work = 0;
        for (const FamilyMember& m : familyOf(store, recording).members) {
            if (m.recording != recording && done.insert(m.recording).second)
                versions.push_back(m.recording);
            if (const auto has = numbersFrom(store.recordings().values(m.recording, workField));
                !has.empty() && work == 0)
                work = has.front();
            if (m.kind == leadVersion && !m.files.empty())
                if (auto lead = store.files().find(m.files.front()))
                    record = std::move(lead);
        }
        const tags::Fields& fields = record->tags.fields;
        const std::string title = titleFrom(*record);
        const std::vector<Share> writers = writersInTags(fields, partyOf);
        if (work == 0)
            work = works.find(title, writers, tags::firstValue(fields, "artist"));
        if (work == 0) {
            const auto fresh = addCard(store, change, CardKind::Work, factsFrom(fields, title, writers),
                                       "read from the files");
            if (!fresh)
                return fresh.error();
            work = *fresh;
            works.add(work, title, writers);
            ++made;
        }
        for (const RecordingId one : versions)
            if (store.recordings().values(one, workField).empty()) {
                change.setValues(one, workField, {std::to_string(work)});
                ++recordings;
            }
    }
    return change.commit(fmt::format("Songs of {} recordings", recordings));
}

} // namespace moorfrost::library
