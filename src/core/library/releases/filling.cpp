// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/releases/filling.h"

#include <algorithm>

#include <fmt/format.h>

#include "core/text/casing.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

std::string lineOf(const reference::Track& track) {
    std::string out = track.position;
    if (!track.title.empty())
        out += (out.empty() ? "" : "  ") + track.title;
    if (!track.credit.names.empty())
        out += " \u00B7 " + track.credit.text();
    if (track.lengthMs > 0)
        out += fmt::format("  {}:{:02}", (track.lengthMs + 500) / 60000, (track.lengthMs + 500) / 1000 % 60);
    return out;
}

} // namespace

ReleaseFilling FillingPlan::filling(const ReleaseSource& source) const {
    ReleaseFilling out;
    out.source = source;
    for (const FactFilling& f : facts)
        if (f.taken)
            out.facts[f.key] = f.after;
    if (takeMedia && mediaChange)
        out.media = media;
    return out;
}

size_t FillingPlan::takenFacts() const {
    return static_cast<size_t>(std::ranges::count(facts, true, &FactFilling::taken));
}

FillingPlan planFilling(const ReleaseView& release, const reference::Release& source) {
    FillingPlan out;
    for (const FactDef& def : releaseFacts()) {
        FactFilling f{def.key, factOf(release.release, def.key), factOf(source, def.key), false, true};
        if (f.after.empty() || f.after == f.before || !whyNotFact(def.key, f.after).empty())
            continue;
        f.fills = f.before.empty();
        // What a person typed, or said that there is none of, is not replaced unless asked.
        if (const auto fact = release.facts.find(def.key);
            fact != release.facts.end() && fact->second.origin == typedOrigin &&
            (fact->second.none || !fact->second.values.empty()))
            f.taken = false;
        out.facts.push_back(std::move(f));
    }
    const std::vector<MediumToKeep> before = mediaOf(release);
    if (source.trackCount() == 0) { // carriers alone
        out.media = before;
        for (size_t i = 0; i < std::min(out.media.size(), source.media.size()); ++i)
            if (!source.media[i].carrier.empty())
                out.media[i].carrier = source.media[i].carrier;
        if (out.media.empty())
            for (const reference::Medium& m : source.media)
                out.media.push_back({m.carrier, m.title, m.discTable, {}});
    } else {
        const auto mine = tracksOf(release), theirs = tracksOf(source);
        const auto pairs = pairTracks(mine, theirs);
        std::vector<size_t> pairOf(theirs.size(), SIZE_MAX);
        std::vector<bool> used(mine.size());
        for (const TrackPair& pair : pairs) {
            pairOf[pair.b] = pair.a;
            used[pair.a] = true;
        }
        // The same number of tracks on each medium: what is left goes by its place.
        const bool samePlaces = std::ranges::equal(before, source.media, [](const auto& a, const auto& b) {
            return a.tracks.size() == b.tracks.size();
        });
        for (size_t j = 0; samePlaces && j < theirs.size(); ++j)
            if (pairOf[j] == SIZE_MAX && !used[j]) {
                pairOf[j] = j;
                used[j] = true;
            }
        size_t next = 0;
        for (size_t m = 0; m < source.media.size(); ++m) {
            const reference::Medium& from = source.media[m];
            MediumToKeep medium{from.carrier, from.title, from.discTable, {}};
            if (m < before.size()) {
                if (medium.carrier.empty())
                    medium.carrier = before[m].carrier;
                if (medium.title.empty())
                    medium.title = before[m].title;
                if (medium.discTable.empty())
                    medium.discTable = before[m].discTable;
            }
            for (const reference::Track& theirTrack : from.tracks) {
                reference::Track track = theirTrack;
                track.recording.clear();
                if (track.credit.text() == source.credit.text())
                    track.credit = {}; // that of the release
                for (auto& name : track.credit.names) {
                    name.id.clear();
                    name.others.clear();
                }
                RecordingId recording = 0;
                TrackFilling line{m, medium.tracks.size(), {}, {}, false};
                if (const size_t at = pairOf[next]; at != SIZE_MAX) {
                    const auto& [own, ownRecording] = before[mine[at].medium].tracks[mine[at].number];
                    recording = ownRecording;
                    line.before = lineOf(own);
                    line.otherTitle = own.title != track.title;
                    if (track.lengthMs == 0)
                        track.lengthMs = own.lengthMs;
                    if (track.isrcs.empty())
                        track.isrcs = own.isrcs;
                    if (track.roles.empty())
                        track.roles = own.roles;
                    // One that tells no artists takes none away.
                    if (track.credit.names.empty() && source.credit.names.empty())
                        track.credit = own.credit;
                }
                line.after = lineOf(track);
                medium.tracks.emplace_back(std::move(track), recording);
                out.tracks.push_back(std::move(line));
                ++next;
            }
            out.media.push_back(std::move(medium));
        }
        for (size_t i = 0; i < mine.size(); ++i) // they are not on what the source tells
            if (!used[i] && !mine[i].title.empty())
                out.tracks.push_back({mine[i].medium,
                                      mine[i].number,
                                      lineOf(before[mine[i].medium].tracks[mine[i].number].first),
                                      {},
                                      false});
    }
    out.mediaChange = out.media != before;
    return out;
}

void putCasingRight(reference::Release& release, std::string_view language) {
    release.title = text::titleCase(release.title, language);
    for (reference::Medium& m : release.media)
        for (reference::Track& t : m.tracks)
            t.title = text::titleCase(t.title, language);
}

} // namespace moorfrost::library
