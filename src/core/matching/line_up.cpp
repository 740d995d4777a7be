// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/matching/line_up.h"

#include <algorithm>
#include <cmath>

#include "core/matching/assignment.h"
#include "core/reference/catalogue.h"

namespace moorfrost::matching {

namespace {

std::vector<text::Likened> spellings(const reference::Credit& credit) {
    std::vector<text::Likened> out;
    if (!credit.names.empty())
        out.emplace_back(credit.text());
    for (const auto& n : credit.names) {
        if (credit.names.size() > 1)
            out.emplace_back(n.name);
        for (const std::string& other : n.others)
            out.emplace_back(other);
    }
    std::erase_if(out, [](const text::Likened& l) { return l.empty(); });
    return out;
}

} // namespace

Likeable::Likeable(const reference::Release& release, const std::string& reference)
    : artists(spellings(release.credit)), title(release.title),
      titleWithEdition(release.title + " " + release.edition) {
    for (size_t m = 0; m < release.media.size(); ++m)
        for (size_t t = 0; t < release.media[m].tracks.size(); ++t) {
            const reference::Track& track = release.media[m].tracks[t];
            Track out{m, t, text::Likened(track.title), spellings(track.credit), track.lengthMs, {}};
            for (const std::string& isrc : track.isrcs)
                out.isrcs.push_back(moorfrost::reference::plainCode(isrc));
            if (!track.recording.empty())
                out.recording = reference + "/" + track.recording;
            tracks.push_back(std::move(out));
        }
}

namespace {

/// 0 to 1; none where the reference of the track has not said anything to the sound of the file.
std::optional<double> heardAs(const FileClues& file, const std::string& recording) {
    if (recording.empty())
        return std::nullopt;
    const std::string_view reference = std::string_view(recording).substr(0, recording.find('/') + 1);
    std::optional<double> out;
    for (const HeardAs& h : file.heard)
        if (h.recording == recording)
            return std::clamp((h.z - 6) / 7, 0.0, 1.0);
        else if (h.isSure() && h.recording.starts_with(reference))
            out = 0; // it is another one of theirs
    return out;
}

} // namespace

Fit fitOf(const FileClues& file, const Likeable::Track& track, bool severalMedia) {
    Fit fit;
    fit.sameCode = std::ranges::any_of(file.isrcs, [&](const std::string& isrc) {
        return std::ranges::find(track.isrcs, isrc) != track.isrcs.end();
    });
    if (!file.titles.empty() && !track.title.empty()) {
        double best = 0;
        for (const text::Likened& t : file.titles)
            best = std::max(best, text::likeness(t, track.title));
        fit.title = best;
    }
    if (file.lengthMs > 0 && track.lengthMs > 0) {
        fit.secondsApart = static_cast<double>(file.lengthMs - track.lengthMs) / 1000;
        const double apart = std::max(0.0, std::abs(fit.secondsApart) - 1);
        fit.length = std::exp(-apart / 3);
    }
    if (file.track > 0) {
        const bool sameDisc =
            !severalMedia || file.disc == 0 || file.disc == static_cast<int>(track.medium) + 1;
        fit.number = file.track == static_cast<int>(track.place) + 1 && sameDisc ? 1.0 : 0.0;
    }
    fit.sound = heardAs(file, track.recording);
    double gain = fit.sameCode ? 3 : 0;
    if (fit.sound)
        gain += *fit.sound > 0 ? 5 * *fit.sound : -1.5;
    if (fit.title)
        gain += 2.4 * (*fit.title - 0.38) / 0.62;
    if (fit.length)
        gain += 1.5 * (2 * *fit.length - 0.9);
    if (fit.number)
        gain += *fit.number > 0 ? 0.7 : -0.35;
    fit.gain = gain;
    return fit;
}

Seating lineUp(const SleeveClues& clues, const Likeable& release) {
    Seating out;
    out.fileOf.assign(release.tracks.size(), -1);
    out.fits.resize(release.tracks.size());
    if (clues.files.empty() || release.tracks.empty()) {
        for (size_t i = 0; i < clues.files.size(); ++i)
            out.unseated.push_back(i);
        return out;
    }
    const bool severalMedia = release.tracks.back().medium > 0;
    std::vector<std::vector<double>> gains(clues.files.size());
    std::vector<std::vector<Fit>> fits(clues.files.size());
    for (size_t i = 0; i < clues.files.size(); ++i)
        for (size_t t = 0; t < release.tracks.size(); ++t) {
            fits[i].push_back(fitOf(clues.files[i], release.tracks[t], severalMedia));
            // Where nothing else decides, the order in which they come does.
            const double here = static_cast<double>(i) / static_cast<double>(clues.files.size());
            const double there = static_cast<double>(t) / static_cast<double>(release.tracks.size());
            gains[i].push_back(fits[i].back().gain + 0.02 * (1 - std::abs(here - there)));
        }
    const std::vector<int> seats = assign(gains);
    for (size_t i = 0; i < seats.size(); ++i) {
        if (seats[i] < 0) {
            out.unseated.push_back(i);
            continue;
        }
        const auto t = static_cast<size_t>(seats[i]);
        out.fileOf[t] = static_cast<int>(i);
        out.fits[t] = fits[i][t];
    }
    return out;
}

} // namespace moorfrost::matching
