// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/matching/evidence.h"

#include <algorithm>
#include <cmath>
#include <cstdlib>

#include "core/reference/catalogue.h"
#include "core/reference/reference.h"

namespace moorfrost::matching {

namespace {

// What a whole of each evidence is worth, in log-odds, and what is added in any case.
constexpr std::array<double, evidenceCount> weights{0.8, 3.7, 6.0, 19.0, 3.0, 2.4, 4.0, 2.7, 1.5, 2.5, 12.0};
constexpr double none = 18.4; // what a candidate must be worth to be as likely as none of them

double bestLikeness(const std::vector<text::Likened>& ours, const std::vector<text::Likened>& theirs) {
    double best = 0;
    for (const text::Likened& a : ours)
        for (const text::Likened& b : theirs)
            best = std::max(best, text::likeness(a, b));
    return best;
}

void say(Candidate& c, Evidence e, double value) {
    c.said[static_cast<size_t>(e)] = {true, value};
}

void sayCodes(const SleeveClues& clues, const Likeable& release, Candidate& c) {
    double best = 0;
    bool known = false;
    auto code = [&](const std::string& ours, const std::string& theirs) {
        const std::string a = reference::plainCode(ours), b = reference::plainCode(theirs);
        if (a.size() < 3 || b.size() < 3)
            return;
        known = true;
        best = a == b ? 1 : best > 0 ? best : -1;
    };
    for (const reference::Label& l : c.release.labels)
        code(clues.catalogueNumber, l.catalogueNumber);
    code(clues.barcode, c.release.barcode);
    size_t same = 0, differ = 0;
    for (size_t t = 0; t < c.seating.fileOf.size(); ++t) {
        const int file = c.seating.fileOf[t];
        if (file < 0 || clues.files[static_cast<size_t>(file)].isrcs.empty() ||
            release.tracks[t].isrcs.empty())
            continue;
        ++(c.seating.fits[t].sameCode ? same : differ);
    }
    if (same + differ > 0) {
        // Recordings are on several editions: less than a code of the release.
        const double share = static_cast<double>(same) / static_cast<double>(same + differ);
        best = known ? std::clamp(best + 0.4 * (2 * share - 1), -1.0, 1.0) : 0.6 * (2 * share - 1);
        known = true;
    }
    if (known)
        say(c, Evidence::Codes, best);
}

void sayAll(const SleeveClues& clues, const Likeable& release, Candidate& c) {
    c.said = {};
    if (!clues.artistForms.empty() && !release.artists.empty())
        say(c, Evidence::Artist, bestLikeness(clues.artistForms, release.artists));
    if (!clues.albumForms.empty() && !release.title.empty())
        say(c, Evidence::Album, bestLikeness(clues.albumForms, {release.title, release.titleWithEdition}));
    double titles = 0, lengths = 0, numbers = 0;
    size_t titled = 0, timed = 0, numbered = 0, seated = 0;
    for (size_t t = 0; t < c.seating.fileOf.size(); ++t) {
        if (c.seating.fileOf[t] < 0)
            continue;
        ++seated;
        const Fit& f = c.seating.fits[t];
        if (f.title) {
            titles += *f.title;
            ++titled;
        }
        if (f.length) {
            lengths += *f.length;
            ++timed;
        }
        if (f.number) {
            numbers += *f.number;
            ++numbered;
        }
    }
    if (titled > 0)
        say(c, Evidence::Titles, titles / static_cast<double>(titled));
    if (timed > 0)
        say(c, Evidence::Lengths, lengths / static_cast<double>(timed));
    if (numbered > 0)
        say(c, Evidence::Order, numbers / static_cast<double>(numbered));
    const auto most = static_cast<double>(std::max(clues.files.size(), release.tracks.size()));
    if (most > 0)
        say(c, Evidence::Tracks, static_cast<double>(seated) / most);
    sayCodes(clues, release, c);
    if (clues.year > 0 && !c.release.dates.empty()) {
        int apart = 99;
        for (const reference::ReleaseDate& d : c.release.dates)
            apart = std::min(apart, std::abs(std::atoi(d.date.c_str()) - clues.year));
        say(c, Evidence::Year, apart == 0 ? 1 : apart == 1 ? 0.3 : -0.5);
    }
    if (!clues.label.empty() && !c.release.labels.empty()) {
        double best = 0;
        const text::Likened ours(clues.label);
        for (const reference::Label& l : c.release.labels)
            best = std::max(best, text::likeness(ours, text::Likened(l.name)));
        say(c, Evidence::Label, 2 * best - 1);
    }
    if (const std::string carrier = c.release.media.empty() ? std::string() : c.release.media[0].carrier;
        !clues.carrier.empty() && !carrier.empty())
        say(c, Evidence::Carrier, carrier == clues.carrier ? 1 : -0.5);
    // All files that were heard vote; who sits nowhere, or as something else, votes against it.
    double sounds = 0;
    size_t heard = 0;
    for (const FileClues& f : clues.files)
        heard += std::ranges::any_of(f.heard, [&](const HeardAs& h) {
            return h.isSure() && h.recording.starts_with(c.reference + "/");
        });
    for (const Fit& f : c.seating.fits)
        sounds += f.sound.value_or(0);
    if (heard > 0 || sounds > 0)
        say(c, Evidence::Sound, std::min(1.0, sounds / static_cast<double>(std::max<size_t>(1, heard))));
    c.logit = 0;
    double most_ = 0, got = 0;
    for (size_t e = 0; e < evidenceCount; ++e)
        if (c.said[e].known) {
            c.logit += weights[e] * c.said[e].value;
            most_ += weights[e];
            got += weights[e] * std::max(0.0, c.said[e].value);
        }
    c.fit = most_ > 0 ? got / most_ : 0;
}

} // namespace

double Candidate::share(Evidence e) const {
    const Said& s = (*this)[e];
    return s.known ? weights[static_cast<size_t>(e)] * s.value : 0;
}

size_t Candidate::seated() const {
    return static_cast<size_t>(std::ranges::count_if(seating.fileOf, [](int file) { return file >= 0; }));
}

std::string Candidate::number() const {
    return reference::numberOf(reference, release.id);
}

Candidate judge(const SleeveClues& clues, reference::Release release, const std::string& reference) {
    Candidate c;
    const Likeable likeable(release, reference);
    c.release = std::move(release);
    c.reference = reference;
    c.seating = lineUp(clues, likeable);
    sayAll(clues, likeable, c);
    return c;
}

void judgeAgain(const SleeveClues& clues, Candidate& candidate) {
    sayAll(clues, Likeable(candidate.release, candidate.reference), candidate);
}

void weighAll(std::vector<Candidate>& candidates) {
    std::ranges::stable_sort(candidates,
                             [](const Candidate& a, const Candidate& b) { return a.logit > b.logit; });
    double sum = std::exp(none - (candidates.empty() ? none : std::max(none, candidates[0].logit)));
    const double top = candidates.empty() ? none : std::max(none, candidates[0].logit);
    for (const Candidate& c : candidates)
        sum += std::exp(c.logit - top);
    for (Candidate& c : candidates)
        c.certainty = std::exp(c.logit - top) / sum;
}

Verdict verdictOn(const std::vector<Candidate>& candidates) {
    if (candidates.empty() || candidates[0].fit < 0.3)
        return Verdict::Unknown;
    double ofSet = 0; // that it is the release, in whatever edition
    for (const Candidate& c : candidates)
        if (&c == &candidates[0] ||
            (!c.release.editionSet.empty() && c.release.editionSet == candidates[0].release.editionSet))
            ofSet += c.certainty;
    if (candidates[0].certainty >= 0.95)
        return Verdict::Sure;
    if (candidates[0].certainty >= 0.6 || ofSet >= 0.9)
        return Verdict::Likely;
    return ofSet >= 0.05 ? Verdict::Look : Verdict::Unknown;
}

} // namespace moorfrost::matching
