// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/matching/single_file.h"

#include <algorithm>
#include <set>

namespace moorfrost::matching {

namespace {

// What names and length are worth beside each other.
constexpr double titleWeight = 5, artistWeight = 3, lengthWeight = 3;

TrackCandidate judged(const SleeveClues& clues, const FileClues& file, const Likeable& likeable, size_t t) {
    const Likeable::Track& track = likeable.tracks[t];
    TrackCandidate out;
    out.medium = track.medium;
    out.place = track.place;
    out.fit = fitOf(file, track, likeable.tracks.back().medium > 0);
    double sum = 0, whole = 0;
    auto add = [&](double weight, double value) {
        sum += weight * value;
        whole += weight;
    };
    if (out.fit.title)
        add(titleWeight, *out.fit.title);
    if (out.fit.length)
        add(lengthWeight, *out.fit.length);
    const std::vector<text::Likened>& theirs = track.artists.empty() ? likeable.artists : track.artists;
    if (!file.artists.empty() || !clues.artistForms.empty()) {
        double best = 0;
        for (const text::Likened& a : theirs) {
            for (const text::Likened& b : file.artists)
                best = std::max(best, text::likeness(a, b));
            for (const text::Likened& b : clues.artistForms)
                best = std::max(best, text::likeness(a, b));
        }
        out.artist = best;
        add(artistWeight, best);
    }
    out.likeness = whole > 0 ? sum / whole : 0;
    if (out.fit.sameCode)
        out.likeness = std::max(out.likeness, 0.95);
    else if (out.fit.sound && *out.fit.sound > 0.6)
        out.likeness = std::max(out.likeness, 0.9); // whatever it is called
    else if (out.fit.sound && *out.fit.sound == 0)
        out.likeness = std::min(out.likeness, 0.5); // it is known to be another one
    else if (!out.fit.title || *out.fit.title < 0.5)
        out.likeness = std::min(out.likeness, 0.4); // a length alone is anybody's
    return out;
}

const std::string& recordingOf(const reference::Release& release, const Likeable::Track& track) {
    return release.media[track.medium].tracks[track.place].recording;
}

} // namespace

FileIdentified identifyFile(const SleeveClues& clues, const std::vector<reference::Reference*>& references,
                            const std::vector<std::string>& liked, std::stop_token stop, size_t most,
                            const std::vector<Told>& heard) {
    FileIdentified out;
    if (clues.files.empty())
        return out;
    const FileClues& file = clues.files[0];
    const std::string own = reference::recordingOfFile(file.id);
    std::set<std::string> known;
    auto consider = [&](const reference::Reference& from, reference::Release release) {
        if (!known.insert(from.key() + ":" + release.id).second)
            return;
        const Likeable likeable(release, from.key());
        TrackCandidate best;
        for (size_t t = 0; t < likeable.tracks.size(); ++t) {
            if (from.key() == reference::libraryKey && recordingOf(release, likeable.tracks[t]) == own)
                continue; // it is this very file
            if (TrackCandidate c = judged(clues, file, likeable, t); c.likeness > best.likeness)
                best = std::move(c);
        }
        if (best.likeness < 0.45)
            return;
        best.reference = from.key();
        best.release = std::move(release);
        out.candidates.push_back(std::move(best));
    };
    for (reference::Reference* from : references)
        for (const Told& told : heard)
            if (told.reference == from->key())
                consider(*from, told.release);
    for (reference::Reference* from : references) {
        std::vector<reference::Question> questions{clues.byCodes(), clues.byTracks(), clues.byEverything()};
        // The artist of a file is whoever its name tells.
        for (reference::Question& q : questions)
            q.lengthsMs.clear();
        if (!file.artists.empty() && questions[2].artist.empty())
            questions[2].artist = file.artists[0].form;
        for (const reference::Question& q : questions) {
            if (q.isEmpty() || stop.stop_requested())
                continue;
            auto answer = from->find(q, stop);
            if (!answer) {
                if (answer.error().kind != ErrorKind::Cancelled)
                    out.errors.push_back(answer.error());
                break;
            }
            for (reference::Release& release : *answer)
                consider(*from, std::move(release));
        }
    }
    auto rank = [&](const TrackCandidate& c) {
        const bool isLiked = std::ranges::find(liked, c.number()) != liked.end();
        // Nearly the same is the same: then the release decides.
        return std::tuple(-static_cast<int>(c.likeness * 20), !isLiked, c.release.date().empty(),
                          c.release.date(), -c.likeness);
    };
    std::ranges::stable_sort(
        out.candidates, [&](const TrackCandidate& a, const TrackCandidate& b) { return rank(a) < rank(b); });
    if (out.candidates.size() > most)
        out.candidates.erase(out.candidates.begin() + static_cast<std::ptrdiff_t>(most),
                             out.candidates.end());
    return out;
}

} // namespace moorfrost::matching
