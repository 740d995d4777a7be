// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/name_match.h"

#include <algorithm>
#include <cmath>
#include <set>

#include <fmt/format.h>

#include "core/tags/packed.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

constexpr double lengthsDiffer = 3; // seconds: more is another length
constexpr size_t mostCandidates = 20;

std::string_view nameIn(std::string_view path) {
    const size_t slash = path.find_last_of("/\\");
    return slash == std::string_view::npos ? path : path.substr(slash + 1);
}

/// The name without what tells the format: an MP3 stands for the FLAC of today.
std::string stemOf(std::string_view path) {
    const std::string_view name = nameIn(path);
    const size_t dot = name.find_last_of('.');
    return text::fold(dot == std::string_view::npos || dot == 0 ? name : name.substr(0, dot));
}

/// How many names at the end of both paths are the same, without looking at the name of the file.
size_t foldersInCommon(std::string_view a, std::string_view b) {
    size_t out = 0;
    auto parent = [](std::string_view p) {
        const size_t slash = p.find_last_of("/\\");
        return slash == std::string_view::npos ? std::string_view() : p.substr(0, slash);
    };
    a = parent(a);
    b = parent(b);
    while (!a.empty() && !b.empty() && nameIn(a) == nameIn(b)) {
        ++out;
        a = parent(a);
        b = parent(b);
    }
    return out;
}

bool sameLength(double told, double known) {
    return told <= 0 || known <= 0 || std::abs(told - known) <= lengthsDiffer;
}

std::string lengthText(double seconds) {
    const auto all = static_cast<long>(std::lround(seconds));
    return fmt::format("{}:{:02}", all / 60, all % 60);
}

} // namespace

void NameMatch::wantName(std::string_view place) {
    if (!place.empty())
        byStem_[stemOf(place)];
}

void NameMatch::wantTitle(std::string_view title) {
    if (!title.empty())
        byTitle_[text::fold(title)];
}

void NameMatch::collect(std::stop_token stop) {
    if (byStem_.empty() && byTitle_.empty())
        return;
    tags::PackedView view;
    store_.files().eachPacked([&](const PackedRecord& record) {
        if (stop.stop_requested())
            return false;
        const auto stem = byStem_.empty() ? byStem_.end() : byStem_.find(stemOf(record.path));
        auto title = byTitle_.end();
        std::string folded, artist;
        if (!view.read(record.content))
            view.fields.clear();
        for (const auto& field : view.fields) {
            if (field.count > 0 && field.key == "title")
                title = byTitle_.find(folded = text::fold(view.values[field.first]));
            else if (field.count > 0 && field.key == "artist")
                artist = text::fold(view.values[field.first]);
        }
        if (stem == byStem_.end() && title == byTitle_.end())
            return true;
        const Candidate one{record.id, text::fold(record.path), folded, artist, view.duration, record.absent};
        if (stem != byStem_.end())
            stem->second.push_back(one);
        if (title != byTitle_.end())
            title->second.push_back(one);
        return true;
    });
}

/// The one that is better than all others by `rank`; else all that are best.
template<class Rank>
NameMatch::Best NameMatch::bestOf(const std::vector<Candidate>& from, Rank rank) {
    Best out;
    for (const Candidate& c : from) {
        const int r = rank(c);
        if (r <= 0 || r < out.rank)
            continue;
        if (r > out.rank)
            out.all.clear();
        out.rank = r;
        out.all.push_back(&c);
    }
    return out;
}

NameMatch::Found NameMatch::choose(const Best& best, const std::string& told) {
    Found out;
    std::vector<const Candidate*> there;
    for (const Candidate* c : best.all)
        if (!c->absent)
            there.push_back(c);
    const auto& from = there.empty() ? best.all : there;
    std::set<RecordingId> recordings;
    for (const Candidate* c : from)
        recordings.insert(store_.recordings().placeOf(c->id).recording);
    if (from.size() == 1 || (recordings.size() == 1 && !recordings.contains(0))) {
        out.file = from.front()->id;
        out.told = told;
        return out;
    }
    for (const Candidate* c : from)
        if (out.candidates.size() < mostCandidates)
            out.candidates.push_back(c->id);
    out.told = fmt::format("{} files are as likely: choose one.", from.size());
    return out;
}

NameMatch::Found NameMatch::byName(std::string_view place, double seconds) {
    const auto it = byStem_.find(stemOf(place));
    if (it == byStem_.end())
        return {};
    const std::string path = text::fold(place);
    const Best best = bestOf(it->second, [&](const Candidate& c) {
        if (!sameLength(seconds, c.seconds))
            return 0;
        const auto folders = static_cast<int>(std::min<size_t>(foldersInCommon(path, c.path), 20));
        const bool told = seconds > 0 && c.seconds > 0;
        if (folders == 0 && !told)
            return 0;
        return folders * 4 + (told ? 2 : 0) + (nameIn(path) == nameIn(c.path) ? 1 : 0);
    });
    if (best.all.empty())
        return {};
    const size_t folders = foldersInCommon(path, best.all.front()->path);
    const bool told = seconds > 0 && best.all.front()->seconds > 0;
    std::string why = folders > 0 ? fmt::format("Same file name, and {} same folder{} above it", folders,
                                                folders == 1 ? "" : "s")
                                  : std::string("Same file name");
    why += told ? fmt::format("; same length, {}.", lengthText(best.all.front()->seconds)) : ".";
    Found out = choose(best, why);
    out.sameFolders = folders > 0;
    return out;
}

NameMatch::Found NameMatch::byTitle(std::string_view title, std::string_view wantedArtist, double seconds) {
    const auto it = byTitle_.find(text::fold(title));
    if (it == byTitle_.end())
        return {};
    const std::string artist = text::fold(wantedArtist);
    const Best best = bestOf(it->second, [&](const Candidate& c) {
        if (!sameLength(seconds, c.seconds))
            return 0;
        const bool told = seconds > 0 && c.seconds > 0;
        const bool byArtist = !artist.empty() && artist == c.artist;
        return !byArtist && !told ? 0 : (byArtist ? 2 : 0) + (told ? 1 : 0);
    });
    if (best.all.empty())
        return {};
    const bool byArtist = best.rank >= 2, told = (best.rank & 1) != 0;
    return choose(best, fmt::format("Same title{}{}.", byArtist ? " and artist" : "",
                                    told ? ", same length, " + lengthText(best.all.front()->seconds) : ""));
}

} // namespace moorfrost::library
