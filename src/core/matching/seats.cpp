// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/matching/seats.h"

#include <algorithm>

namespace moorfrost::matching {

namespace {

bool hasSeveralMedia(const Likeable& likeable) {
    return !likeable.tracks.empty() && likeable.tracks.back().medium > 0;
}

/// What fits is told of the seats as they are.
void tellAgain(const SleeveClues& clues, Candidate& c) {
    const Likeable likeable(c.release, c.reference);
    const std::vector<int>& seats = c.seating.fileOf;
    c.seating.unseated.clear();
    for (size_t f = 0; f < clues.files.size(); ++f)
        if (std::ranges::find(seats, static_cast<int>(f)) == seats.end())
            c.seating.unseated.push_back(f);
    for (size_t t = 0; t < seats.size(); ++t)
        c.seating.fits[t] = seats[t] < 0 ? Fit()
                                         : fitOf(clues.files[static_cast<size_t>(seats[t])],
                                                 likeable.tracks[t], hasSeveralMedia(likeable));
    judgeAgain(clues, c);
}

} // namespace

void seat(const SleeveClues& clues, Candidate& c, size_t file, int track) {
    std::vector<int>& seats = c.seating.fileOf;
    if (file >= clues.files.size() || track >= static_cast<int>(seats.size()))
        return;
    const auto before = std::ranges::find(seats, static_cast<int>(file));
    const int who = track < 0 ? -1 : seats[static_cast<size_t>(track)];
    if (before != seats.end())
        *before = track < 0 ? -1 : who;
    if (track >= 0)
        seats[static_cast<size_t>(track)] = static_cast<int>(file);
    tellAgain(clues, c);
}

Candidate moved(const SleeveClues& before, const Candidate& candidate, const SleeveClues& now) {
    Candidate out = candidate;
    for (int& seat : out.seating.fileOf) {
        if (seat < 0)
            continue;
        const auto it =
            std::ranges::find(now.files, before.files.at(static_cast<size_t>(seat)).id, &FileClues::id);
        seat = it == now.files.end() ? -1 : static_cast<int>(it - now.files.begin());
    }
    tellAgain(now, out);
    return out;
}

EmptySeat bestEmptySeat(const Candidate& candidate, const Likeable& likeable, const FileClues& file) {
    EmptySeat out;
    for (size_t t = 0; t < candidate.seating.fileOf.size() && t < likeable.tracks.size(); ++t) {
        if (candidate.seating.fileOf[t] >= 0)
            continue;
        const Fit fit = fitOf(file, likeable.tracks[t], hasSeveralMedia(likeable));
        const bool named = fit.sameCode || (fit.title && *fit.title >= 0.6);
        if (named && fit.gain > 0 && (out.track < 0 || fit.gain > out.fit.gain))
            out = {static_cast<int>(t), fit};
    }
    return out;
}

} // namespace moorfrost::matching
