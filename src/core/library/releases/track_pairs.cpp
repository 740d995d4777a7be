// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/releases/track_pairs.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <set>

#include "core/reference/catalogue.h"
#include "core/sound/compare.h"
#include "core/text/likeness.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

using Why = TrackPair::Why;

constexpr int64_t same = 4000, other = 20000; // ms that lengths are apart
constexpr double likeEnough = 0.6;
constexpr size_t mostLiked = 400; // tracks of either side whose names are compared in every way

struct Prepared {
    std::string folded;
    text::Likened liked;
    std::set<std::string> codes;
};

std::vector<Prepared> prepare(const std::vector<PairedTrack>& tracks) {
    std::vector<Prepared> out;
    for (const PairedTrack& t : tracks) {
        Prepared& p = out.emplace_back();
        p.folded = text::fold(t.title);
        p.liked = text::Likened(t.title);
        for (const std::string& code : t.isrcs)
            p.codes.insert(reference::plainCode(code));
    }
    return out;
}

} // namespace

std::vector<PairedTrack> tracksOf(const ReleaseView& view) {
    std::vector<PairedTrack> out;
    for (size_t m = 0; m < view.media.size(); ++m)
        for (size_t n = 0; n < view.media[m].tracks.size(); ++n) {
            const TrackView& t = view.media[m].tracks[n];
            out.push_back({m, n, t.printed.title, t.printed.lengthMs, t.printed.isrcs, t.recording,
                           t.files.empty() ? 0 : t.files.front()});
        }
    return out;
}

std::vector<PairedTrack> tracksOf(const reference::Release& release) {
    std::vector<PairedTrack> out;
    for (size_t m = 0; m < release.media.size(); ++m)
        for (size_t n = 0; n < release.media[m].tracks.size(); ++n) {
            const reference::Track& t = release.media[m].tracks[n];
            out.push_back({m, n, t.title, t.lengthMs, t.isrcs, 0, 0});
        }
    return out;
}

std::vector<TrackPair> pairTracks(const std::vector<PairedTrack>& a, const std::vector<PairedTrack>& b,
                                  const std::function<double(FileId, FileId)>& soundAlike) {
    const std::vector<Prepared> pa = prepare(a), pb = prepare(b);
    const bool small = a.size() <= mostLiked && b.size() <= mostLiked;
    std::map<std::string, std::vector<size_t>> byTitle;
    for (size_t j = 0; j < b.size(); ++j)
        byTitle[pb[j].folded].push_back(j);

    struct Scored {
        double score = 0;
        TrackPair pair;
    };
    std::vector<Scored> all;
    auto look = [&](size_t i, size_t j) {
        TrackPair pair;
        pair.a = i;
        pair.b = j;
        const bool lengths = a[i].lengthMs > 0 && b[j].lengthMs > 0;
        pair.apartMs = lengths ? b[j].lengthMs - a[i].lengthMs : 0;
        const int64_t apart = std::abs(pair.apartMs);
        const double alike = pa[i].folded.empty() || pb[j].folded.empty() ? 0
                             : pa[i].folded == pb[j].folded               ? 1
                                                            : text::likeness(pa[i].liked, pb[j].liked);
        const bool code =
            std::ranges::any_of(pa[i].codes, [&](const auto& c) { return pb[j].codes.contains(c); });
        const double z = soundAlike && a[i].file != 0 && b[j].file != 0 && a[i].file != b[j].file
                             ? soundAlike(a[i].file, b[j].file)
                             : 0;
        double score = alike;
        if (a[i].recording != 0 && a[i].recording == b[j].recording) {
            pair.why = Why::SameRecording;
            pair.certain = true;
            pair.sure = 1;
            score += 10;
        } else if (z >= sound::surely) {
            // An edit has the same sound, but not the same length.
            pair.why = Why::Sound;
            pair.certain = !lengths || apart <= other;
            pair.sure = pair.certain ? 0.98 : 0.7;
            score += 8;
        } else if (code) {
            pair.why = Why::Code;
            pair.certain = !lengths || apart <= other;
            pair.sure = pair.certain ? 0.95 : 0.6;
            score += 6;
        } else if (alike >= likeEnough && lengths && apart <= other) {
            pair.why = Why::NameAndLength;
            pair.certain = alike >= 0.999 && apart <= same;
            pair.sure = alike * (apart <= same ? 0.9 : 0.7);
            score += apart <= same ? 2 : 1;
        } else if (alike >= likeEnough && !lengths) {
            pair.why = Why::Name;
            pair.sure = alike * 0.6;
        } else {
            return;
        }
        score += a[i].medium == b[j].medium && a[i].number == b[j].number
                     ? 0.2
                     : 0; // of two alike the one in place
        all.push_back({score, pair});
    };
    for (size_t i = 0; i < a.size(); ++i) {
        if (small) {
            for (size_t j = 0; j < b.size(); ++j)
                look(i, j);
            continue;
        }
        // Of very long ones only what is the same in a word.
        std::set<size_t> likely;
        if (const auto at = byTitle.find(pa[i].folded); at != byTitle.end())
            likely.insert(at->second.begin(), at->second.end());
        for (size_t j = 0; j < b.size(); ++j)
            if (a[i].recording != 0 && a[i].recording == b[j].recording)
                likely.insert(j);
        for (const size_t j : likely)
            look(i, j);
    }
    std::ranges::stable_sort(all, std::greater(), &Scored::score);
    std::vector<bool> usedA(a.size()), usedB(b.size());
    std::vector<TrackPair> out;
    for (const Scored& s : all)
        if (!usedA[s.pair.a] && !usedB[s.pair.b]) {
            usedA[s.pair.a] = usedB[s.pair.b] = true;
            out.push_back(s.pair);
        }
    std::ranges::sort(out, {}, &TrackPair::a);
    return out;
}

} // namespace moorfrost::library
