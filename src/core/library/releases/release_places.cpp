// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/releases/release_places.h"

#include <algorithm>
#include <cstdlib>
#include <map>
#include <set>

#include "core/library/releases/release_groups.h"
#include "core/matching/clues.h"

namespace moorfrost::library {

namespace {

/// "Gannet Row · GR 014 · 1998".
std::string editionText(const std::vector<std::string>& parts) {
    std::string out;
    for (const std::string& part : parts)
        if (!part.empty())
            out += (out.empty() ? "" : " \u00B7 ") + part;
    return out;
}

/// As the tags of one of its files tell it, and as it was said of it.
ReleasePlace placeOn(const FileRecord* file, const Facts& facts) {
    reference::Release release;
    ReleasePlace out;
    if (file) {
        release = toldByFiles({{file->id, 0, file->tags.fields, 0}}).release;
        auto said = [&](const char* key) { return tags::firstValue(file->tags.fields, key); };
        out.carrier = said("carrier");
        out.position = said("track");
        if (std::atoi(said("disc").c_str()) > 1 || std::atoi(said("discs").c_str()) > 1)
            out.position = said("disc") + "-" + out.position;
    }
    for (const auto& [key, fact] : facts)
        if (factByKey(key) || key == mediaFact)
            putFact(release, key, fact.values);
    if (facts.contains(mediaFact))
        out.carrier = release.carrier();
    const reference::Label first = release.labels.empty() ? reference::Label() : release.labels.front();
    out.title = release.title;
    out.edition =
        editionText({first.name, first.catalogueNumber, release.date().substr(0, 4), release.edition});
    out.date = release.date();
    return out;
}

} // namespace

std::vector<ReleasePlace> releasePlaces(Store& store, FileId file) {
    const RecordingId recording = store.recordings().placeOf(file).recording;
    std::vector<FileId> files =
        recording == 0 ? std::vector<FileId>{file} : store.recordings().filesOf(recording);
    std::vector<ReleasePlace> out;
    std::set<std::vector<std::string>> told;
    std::map<ReleaseId, size_t> kept;
    for (const FileId id : files) {
        const auto record = store.files().find(id);
        if (!record)
            continue;
        auto said = [&](const char* key) { return tags::firstValue(record->tags.fields, key); };
        ReleaseId release = store.releases().releaseOf(id);
        if (release == 0)
            release = releaseOfNumber(said(matching::referenceNumberField));
        if (release != 0 && !store.releases().has(release))
            release = 0;
        if (release == 0 && said("album").empty())
            continue;
        if (release == 0 && !told.insert({said("album"), said("album_artist"), said("catalogue_number"),
                                          said("date"), said("disc"), said("track")})
                                 .second)
            continue; // another copy, or the same in another quality
        if (release != 0 && kept.contains(release))
            continue;
        ReleasePlace place = placeOn(&*record, release == 0 ? Facts() : store.releases().facts(release));
        place.ref = {release, {id}};
        place.hasFile = true;
        if (release != 0)
            kept[release] = out.size();
        out.push_back(std::move(place));
    }
    if (recording != 0)
        for (const TrackPlace& at : store.releases().placesOf(recording)) {
            const auto tracks = store.releases().tracks(at.release, at.medium);
            if (at.number >= tracks.size())
                continue;
            std::string position = trackFrom(tracks[at.number].content).position;
            if (position.empty())
                position = std::to_string(at.number + 1);
            if (at.medium > 0)
                position = std::to_string(at.medium + 1) + "-" + position;
            if (const auto known = kept.find(at.release); known != kept.end()) {
                out[known->second].position = position;
                continue;
            }
            // What is not said of it its files tell.
            const auto own = store.releases().filesOf(at.release);
            const auto record = own.empty() ? std::nullopt : store.files().find(own.front());
            ReleasePlace place = placeOn(record ? &*record : nullptr, store.releases().facts(at.release));
            place.ref = {at.release, {}};
            place.position = position;
            kept[at.release] = out.size();
            out.push_back(std::move(place));
        }
    std::ranges::stable_sort(out, {}, [](const ReleasePlace& p) { return p.date.empty() ? "9999" : p.date; });
    return out;
}

} // namespace moorfrost::library
