// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/releases/release_view.h"

#include <algorithm>
#include <cstdlib>
#include <set>

#include "core/library/recordings.h"
#include "core/library/releases/release_pictures.h"
#include "core/text/likeness.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

using Texts = std::vector<std::string>;

constexpr int mostNumber = 1000000;    // of a disc or a track
constexpr double sameTrackTitle = 0.4; // in the same place
constexpr int mostGaps = 200;          // a total that asks for more is held to be a mistake

const Texts& valuesOf(const FileOfRelease& file, const char* key) {
    static const Texts none;
    const auto it = file.fields.find(key);
    return it == file.fields.end() ? none : it->second;
}

std::string firstOf(const FileOfRelease& file, const char* key) {
    const Texts& values = valuesOf(file, key);
    return values.empty() ? std::string() : values.front();
}

int numberOf(const FileOfRelease& file, const char* key) {
    return std::clamp(std::atoi(firstOf(file, key).c_str()), 0, mostNumber);
}

/// What most of the files say of these fields together; of what is equally frequent the first. Files that
/// leave the first field blank do not count.
std::vector<Texts> mostSay(const std::vector<const FileOfRelease*>& files,
                           const std::vector<const char*>& keys) {
    std::vector<std::pair<std::vector<Texts>, size_t>> counts;
    for (const FileOfRelease* f : files) {
        if (valuesOf(*f, keys.front()).empty())
            continue;
        std::vector<Texts> values;
        for (const char* key : keys)
            values.push_back(valuesOf(*f, key));
        const auto same = std::ranges::find_if(counts, [&](const auto& c) { return c.first == values; });
        if (same == counts.end())
            counts.emplace_back(std::move(values), 1);
        else
            ++same->second;
    }
    const auto most = std::ranges::max_element(counts, {}, [](const auto& c) { return c.second; });
    return most == counts.end() ? std::vector<Texts>(keys.size()) : most->first;
}

reference::Credit creditOf(const Texts& names, const Texts& sortForms) {
    reference::Credit out;
    const bool sorted = sortForms.size() == names.size();
    for (size_t i = 0; i < names.size(); ++i)
        out.names.push_back({names[i], {}, sorted ? sortForms[i] : "", i + 1 < names.size() ? ", " : ""});
    return out;
}

TrackView trackOf(const FileOfRelease& file) {
    TrackView out;
    out.printed.position = firstOf(file, "track");
    out.printed.title = firstOf(file, "title");
    out.printed.credit = creditOf(valuesOf(file, "artist"), valuesOf(file, "artist_sort"));
    out.printed.lengthMs = static_cast<int64_t>(file.seconds * 1000);
    out.printed.isrcs = valuesOf(file, "isrc");
    out.recording = file.recording;
    out.files = {file.id};
    return out;
}

MediumView mediumOf(std::vector<const FileOfRelease*> files) {
    MediumView out;
    out.fromFiles = true;
    const Texts carrier = mostSay(files, {"carrier"}).front();
    out.carrier = carrier.empty() ? std::string() : carrier.front();
    std::ranges::stable_sort(files, {}, [](const FileOfRelease* f) {
        const int track = numberOf(*f, "track");
        return track == 0 ? INT32_MAX : track;
    });
    int total = 0, last = 0;
    for (const FileOfRelease* f : files) {
        total = std::max(total, numberOf(*f, "tracks"));
        last = std::max(last, numberOf(*f, "track"));
    }
    const int end = total > last && total - last <= mostGaps ? total : last;
    const bool fillsGaps = end > 0 && end - static_cast<int>(files.size()) <= mostGaps;
    int next = 1;
    auto fillUpTo = [&](int number) {
        for (; fillsGaps && next < number; ++next) {
            TrackView gap;
            gap.printed.position = std::to_string(next);
            out.tracks.push_back(std::move(gap));
        }
    };
    for (const FileOfRelease* f : files) {
        const int number = numberOf(*f, "track");
        if (number > 0) {
            fillUpTo(number);
            next = std::max(next, number + 1);
        }
        TrackView track = trackOf(*f);
        // The same in another quality is the same track.
        const auto same = std::ranges::find_if(out.tracks, [&](const TrackView& t) {
            return !t.files.empty() && ((t.recording != 0 && t.recording == track.recording) ||
                                        (number > 0 && t.printed.position == track.printed.position &&
                                         text::fold(t.printed.title) == text::fold(track.printed.title)));
        });
        if (same == out.tracks.end())
            out.tracks.push_back(std::move(track));
        else
            same->files.push_back(f->id);
    }
    fillUpTo(end + 1);
    return out;
}

/// Of its recording.
void addOtherFiles(Store& store, TrackView& track) {
    if (track.recording == 0)
        return;
    for (const FileId other : store.recordings().filesOf(track.recording))
        if (std::ranges::find(track.files, other) == track.files.end())
            track.files.push_back(other);
}

/// Tracks of which no recording is known are those that files of the release tell in their place.
void takeOwnFiles(Store& store, MediumView& kept, const MediumView& told) {
    std::set<RecordingId> placed;
    for (const TrackView& t : kept.tracks)
        if (t.recording != 0)
            placed.insert(t.recording);
    for (size_t i = 0; i < kept.tracks.size(); ++i) {
        TrackView& track = kept.tracks[i];
        if (track.recording != 0)
            continue;
        // Tags count through, where the sleeve may say "A1".
        const std::string number = std::to_string(i + 1), title = text::fold(track.printed.title);
        for (const TrackView& t : told.tracks) {
            const bool samePlace =
                t.printed.position == number || t.printed.position == track.printed.position;
            if (t.files.empty() || !samePlace || placed.contains(t.recording))
                continue;
            if (!title.empty() && text::fold(t.printed.title) != title &&
                text::likeness(text::Likened(title), text::Likened(t.printed.title)) < sameTrackTitle)
                continue;
            track.recording = t.recording;
            track.files = t.files;
            addOtherFiles(store, track);
            if (t.recording != 0)
                placed.insert(t.recording);
            break;
        }
    }
}

/// Those of the release first, then the better ones.
void sortFiles(Store& store, TrackView& track, const std::set<FileId>& own) {
    std::vector<FileRecord> records;
    for (const FileId id : track.files)
        if (auto record = store.files().find(id))
            records.push_back(std::move(*record));
    std::ranges::stable_sort(records, [&](const FileRecord& a, const FileRecord& b) {
        const bool isOwn = own.contains(a.id), isOwnB = own.contains(b.id);
        return isOwn != isOwnB ? isOwn : isBetter(a, b);
    });
    track.files.clear();
    track.ownFiles = 0;
    for (const FileRecord& r : records) {
        track.files.push_back(r.id);
        track.ownFiles += own.contains(r.id);
    }
}

} // namespace

size_t ReleaseView::missing() const {
    size_t out = 0;
    for (const MediumView& m : media)
        for (const TrackView& t : m.tracks)
            out += t.files.empty();
    return out;
}

ToldByFiles toldByFiles(const std::vector<FileOfRelease>& files) {
    std::vector<const FileOfRelease*> all;
    for (const FileOfRelease& f : files)
        all.push_back(&f);
    auto one = [&](const char* key) {
        const Texts values = mostSay(all, {key}).front();
        return values.empty() ? std::string() : values.front();
    };
    ToldByFiles out;
    reference::Release& r = out.release;
    r.title = one("album");
    auto names = mostSay(all, {"album_artist", "album_artist_sort"});
    if (names[0].empty()) { // that of all tracks
        names = mostSay(all, {"artist", "artist_sort"});
        if (!std::ranges::all_of(files,
                                 [&](const FileOfRelease& f) { return valuesOf(f, "artist") == names[0]; }))
            names[0].clear();
    }
    r.credit = creditOf(names[0], names[1]);
    const auto labels = mostSay(all, {"label", "catalogue_number"});
    for (const std::string& label : labels[0])
        r.labels.push_back({label, {}});
    const Texts numbers = labels[0].empty() ? mostSay(all, {"catalogue_number"}).front() : labels[1];
    for (size_t i = 0; i < numbers.size(); ++i) {
        if (i >= r.labels.size())
            r.labels.emplace_back();
        r.labels[i].catalogueNumber = numbers[i];
    }
    r.barcode = one("barcode");
    const auto dates = mostSay(all, {"date", "country"});
    if (!dates[0].empty())
        r.dates.push_back({dates[0].front(), dates[1].empty() ? std::string() : dates[1].front()});
    r.firstDate = one("original_date");
    r.language = one("language");
    r.script = one("script");
    r.rights = one("copyright");
    r.genres = mostSay(all, {"genre"}).front();
    r.links = mostSay(all, {"website"}).front();
    std::map<int, std::vector<const FileOfRelease*>> discs;
    for (const FileOfRelease& f : files)
        discs[std::max(1, numberOf(f, "disc"))].push_back(&f);
    for (auto& [disc, some] : discs)
        out.media.push_back(mediumOf(std::move(some)));
    return out;
}

ReleaseView releaseView(Store& store, const ReleaseRef& ref) {
    ReleaseView out;
    ReleaseId id = ref.id != 0 && store.releases().has(ref.id) ? ref.id : 0;
    for (const FileId file : ref.files) // it may be kept since it was listed
        if (id == 0)
            id = store.releases().releaseOf(file);
    const bool isKept = id != 0 && store.releases().has(id);
    out.ref.id = isKept ? id : 0;
    std::set<FileId> own(ref.files.begin(), ref.files.end());
    if (isKept)
        for (const FileId file : store.releases().filesOf(id))
            own.insert(file);
    Facts kept = isKept ? store.releases().facts(id) : Facts();
    std::vector<FileOfRelease> files;
    std::vector<FileRecord> withPictures;
    for (const FileId file : own)
        if (auto record = store.files().find(file)) {
            out.ref.files.push_back(file);
            if (!record->tags.pictures.empty())
                withPictures.push_back(*record);
            files.push_back({file, store.recordings().placeOf(file).recording, std::move(record->tags.fields),
                             record->tags.facts.duration});
        }
    ToldByFiles told = toldByFiles(files);
    const auto added = kept.find(picturesFact);
    out.pictures = picturesOfRelease(withPictures, added == kept.end() ? nullptr : &added->second);

    for (const FactDef& def : releaseFacts()) {
        const Texts inFiles = factOf(told.release, def.key);
        const auto fact = kept.find(def.key);
        if (fact != kept.end()) {
            putFact(out.release, def.key, fact->second.values);
            out.facts[def.key] = fact->second;
            if (!inFiles.empty() && *def.field && inFiles != fact->second.values)
                out.otherInFiles[def.key] = inFiles;
        } else if (!inFiles.empty()) {
            putFact(out.release, def.key, inFiles);
            out.facts[def.key] = {inFiles, false, readFromFiles, 0};
        }
    }
    if (const auto set = kept.find(setFact); set != kept.end() && !set->second.values.empty())
        out.set = std::strtoll(set->second.values.front().c_str(), nullptr, 10);
    if (const auto sources = kept.find(sourceFact); sources != kept.end())
        for (const std::string& one : sources->second.values)
            out.sources.push_back(sourceFrom(one));

    reference::Release carriers;
    if (const auto media = kept.find(mediaFact); media != kept.end()) {
        putFact(carriers, mediaFact, media->second.values);
        out.facts[mediaFact] = media->second;
    } else if (std::ranges::any_of(told.media, [](const MediumView& m) { return !m.carrier.empty(); })) {
        out.facts[mediaFact] = {{}, false, readFromFiles, 0};
    }
    const auto keptTracks = isKept ? store.releases().tracks(id) : std::map<int, std::vector<KeptTrack>>();
    size_t count = std::max(told.media.size(), carriers.media.size());
    if (!keptTracks.empty())
        count = std::max(count, static_cast<size_t>(keptTracks.rbegin()->first) + 1);
    out.media.resize(count);
    std::set<FileId> placed;
    for (size_t i = 0; i < count; ++i) {
        MediumView& medium = out.media[i];
        if (const auto tracks = keptTracks.find(static_cast<int>(i)); tracks != keptTracks.end()) {
            for (const KeptTrack& t : tracks->second) {
                TrackView& track = medium.tracks.emplace_back();
                track.printed = trackFrom(t.content);
                track.recording = t.recording;
                if (t.recording != 0)
                    track.files = store.recordings().filesOf(t.recording);
            }
            if (i < told.media.size()) {
                medium.carrier = told.media[i].carrier;
                takeOwnFiles(store, medium, told.media[i]);
            }
        } else if (i < told.media.size()) {
            medium = std::move(told.media[i]);
            for (TrackView& track : medium.tracks)
                addOtherFiles(store, track);
        }
        if (i < carriers.media.size()) {
            medium.carrier = carriers.media[i].carrier;
            medium.title = carriers.media[i].title;
            medium.discTable = carriers.media[i].discTable;
        }
        reference::Medium& plain = out.release.media.emplace_back();
        plain.carrier = medium.carrier;
        plain.title = medium.title;
        plain.discTable = medium.discTable;
        for (TrackView& track : medium.tracks) {
            sortFiles(store, track, own);
            placed.insert(track.files.begin(), track.files.end());
            track.printed.recording = track.recording == 0 ? "" : std::to_string(track.recording);
            if (track.recording != 0)
                for (const TrackPlace& place : store.releases().placesOf(track.recording))
                    if (place.release != out.ref.id &&
                        std::ranges::find(track.alsoOn, place.release) == track.alsoOn.end())
                        track.alsoOn.push_back(place.release);
            plain.tracks.push_back(track.printed);
        }
    }
    for (const FileId file : out.ref.files)
        if (!placed.contains(file))
            out.unplaced.push_back(file);
    return out;
}

} // namespace moorfrost::library
