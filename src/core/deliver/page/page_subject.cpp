// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/deliver/page/page_subject.h"

#include <algorithm>
#include <ctime>
#include <set>

#include <fmt/format.h>

#include "core/deliver/rows/row_values.h"
#include "core/files/safe_name.h"
#include "core/library/families/families.h"
#include "core/library/people/card_changes.h"
#include "core/library/people/card_view.h"
#include "core/library/recordings.h"
#include "core/library/releases/release_pictures.h"
#include "core/text/text.h"

namespace moorfrost::deliver {

namespace {

using library::FileId;
using library::FileRecord;

/// A value with what makes it understood.
std::string factText(const std::string& key, const std::string& value) {
    if (value.empty())
        return {};
    if (key == "tempo")
        return value + " BPM";
    if (key == "key" || key == "genre" || key == "mood" || key == "date" || key == "album" ||
        key == "@length" || key == "@keywords" || key == "@version")
        return value;
    return columnLabel(key) + " " + value;
}

std::string titleOf(const FileRecord& file) {
    const std::string& title = tags::firstValue(file.tags.fields, "title");
    return title.empty() ? text::forDisplay(file.path.stem().native()) : title;
}

std::string artistOf(const FileRecord& file) {
    const auto it = file.tags.fields.find(std::string_view("artist"));
    return it == file.tags.fields.end() ? std::string() : text::join(it->second, ", ");
}

std::string lyricsOf(library::Store& store, const FileRecord& file) {
    const auto recording = store.recordings().placeOf(file.id).recording;
    if (recording != 0)
        for (const std::string& id : store.recordings().values(recording, library::workField))
            if (std::string lyrics =
                    library::firstFact(store.cards().facts(std::strtoll(id.c_str(), nullptr, 10)), "lyrics");
                !lyrics.empty())
                return lyrics;
    return tags::firstValue(file.tags.fields, "lyrics");
}

class Gathering {
public:
    Gathering(library::Store& store, const PageLayout& layout) : store_(store), layout_(layout) {
        for (const std::string& key : layout.facts) {
            RowColumn column;
            column.parts = {key};
            column.joint = ", ";
            facts_.columns.push_back(std::move(column));
        }
    }

    PageSound sound(const FileRecord& file, const std::string& name, const std::string& id,
                    const std::string& fileName) {
        PageSound out;
        out.id = id;
        out.file = file.id;
        out.path = file.path;
        out.name = name;
        out.fileName = files::safeName(fileName, files::NameProfile::Portable);
        out.seconds = file.tags.facts.duration;
        if (layout_.artists)
            out.artist = artistOf(file);
        if (!facts_.columns.empty()) {
            RowValues values(store_, facts_);
            values.each({file.id}, [&](RowSource&& row) {
                const exchange::CsvRow cells = values.cells(row);
                for (size_t i = 0; i < cells.size(); ++i)
                    if (std::string fact = factText(layout_.facts[i], cells[i]); !fact.empty())
                        out.facts.push_back(std::move(fact));
                return true;
            });
        }
        if (layout_.lyrics)
            out.lyrics = lyricsOf(store_, file);
        if (layout_.marks)
            if (const auto it = file.kept.find(std::string_view(library::bookmarkField));
                it != file.kept.end())
                out.marks = library::bookmarksFrom(it->second);
        return out;
    }

private:
    library::Store& store_;
    const PageLayout& layout_;
    RowLayout facts_;
};

bool isThere(const std::optional<FileRecord>& file) {
    return file && file->absent == 0 && file->readable();
}

/// Which tracks stand on the page, and the versions below each: a family once, led by its lead where that is
/// wanted, else by the first of it.
struct Wanted {
    std::vector<FileId> leads;
    std::map<FileId, std::vector<library::FamilyMember>> versions;

    Wanted(library::Store& store, const PageLayout& layout, const std::vector<FileId>& files) {
        const std::set<FileId> asked(files.begin(), files.end());
        std::set<std::string> families;
        for (const FileId id : files) {
            const library::RecordingId recording = store.recordings().placeOf(id).recording;
            const library::Family family = recording == 0 || !(layout.versions || layout.stems)
                                               ? library::Family()
                                               : library::familyOf(store, recording);
            if (family.id.empty()) {
                leads.push_back(id);
                continue;
            }
            if (!families.insert(family.id).second)
                continue; // it stands below the first of its family
            auto fileOf = [&](const library::FamilyMember& m) {
                for (const FileId file : m.files)
                    if (asked.contains(file))
                        return file;
                return m.files.empty() ? FileId{0} : m.files.front();
            };
            FileId lead = id;
            for (const library::FamilyMember& m : family.members)
                if (m.kind == library::leadVersion && asked.contains(fileOf(m)))
                    lead = fileOf(m);
            leads.push_back(lead);
            for (library::FamilyMember m : family.members) {
                const FileId file = fileOf(m);
                const bool isAllowed = m.kind == library::stemVersion ? layout.stems : layout.versions;
                if (file == 0 || file == lead || !(isAllowed || asked.contains(file)))
                    continue;
                m.files = {file};
                versions[lead].push_back(std::move(m));
            }
        }
    }
};

} // namespace

double PageSubject::seconds() const {
    double out = 0;
    for (const PageTrack& track : tracks)
        out += track.lead.seconds;
    return out;
}

size_t PageSubject::versions() const {
    size_t out = 0;
    for (const PageTrack& track : tracks)
        out += track.versions.size();
    return out;
}

std::vector<const PageSound*> PageSubject::sounds() const {
    std::vector<const PageSound*> out;
    for (const PageTrack& track : tracks) {
        out.push_back(&track.lead);
        for (const PageSound& version : track.versions)
            out.push_back(&version);
    }
    return out;
}

PageSubject pageSubject(library::Store& store, const PageLayout& layout, const std::vector<FileId>& files,
                        const std::string& title, const std::string& forWhom, int64_t now) {
    PageSubject out;
    out.forWhom = forWhom;
    out.from = layout.from;
    out.words = layout.words;
    const std::time_t when = now;
    std::tm day{};
    gmtime_r(&when, &day);
    out.date = fmt::format("{:04}-{:02}-{:02}", day.tm_year + 1900, day.tm_mon + 1, day.tm_mday);
    Gathering gathering(store, layout);
    std::set<std::string> artists, albums;
    const int digits = files.size() > 99 ? 3 : 2;
    const Wanted wanted(store, layout, files);
    for (const FileId id : wanted.leads) {
        if (out.tracks.size() == mostPageTracks)
            break;
        auto file = store.files().find(id);
        if (!isThere(file)) {
            out.unknown.push_back(id);
            continue;
        }
        const size_t number = out.tracks.size() + 1;
        const std::string name = titleOf(*file), place = fmt::format("{:0{}}", number, digits);
        PageTrack track;
        track.lead = gathering.sound(*file, name, std::to_string(number), place + " " + name);
        artists.insert(artistOf(*file));
        albums.insert(tags::firstValue(file->tags.fields, "album"));
        if (out.picture.empty())
            if (const auto pictures = library::picturesOfRelease({*file}, nullptr);
                const library::ReleasePicture* cover = library::coverOf(pictures)) {
                out.picture = file->path;
                out.pictureHash = cover->info.hash;
            }
        const auto versions = wanted.versions.find(id);
        if (versions != wanted.versions.end())
            for (const library::FamilyMember& m : versions->second) {
                const auto version = store.files().find(m.files.front());
                if (!isThere(version))
                    continue;
                std::string what = library::shownVersion(m.kind, m.detail);
                if (what.empty() || m.kind == library::leadVersion)
                    what = titleOf(*version);
                PageSound sound =
                    gathering.sound(*version, what, fmt::format("{}.{}", number, track.versions.size() + 1),
                                    place + " " + name + " (" + what + ")");
                sound.isStem = m.kind == library::stemVersion;
                sound.artist.clear();
                // What is said of the lead is not said again.
                std::erase_if(sound.facts, [&](const std::string& fact) {
                    return std::ranges::find(track.lead.facts, fact) != track.lead.facts.end();
                });
                if (sound.lyrics == track.lead.lyrics)
                    sound.lyrics.clear();
                track.versions.push_back(std::move(sound));
            }
        out.tracks.push_back(std::move(track));
    }
    if (artists.size() == 1)
        out.artist = *artists.begin();
    out.title = title;
    if (out.title.empty() && out.tracks.size() == 1)
        out.title = out.tracks.front().lead.name;
    else if (out.title.empty() && albums.size() == 1)
        out.title = *albums.begin();
    if (out.title.empty())
        out.title = fmt::format("{} tracks", out.tracks.size());
    return out;
}

} // namespace moorfrost::deliver
