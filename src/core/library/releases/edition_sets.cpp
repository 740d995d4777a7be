// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/releases/edition_sets.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <map>
#include <numeric>
#include <set>
#include <unordered_map>

#include <fmt/format.h>

#include "core/reference/catalogue.h"
#include "core/text/likeness.h"
#include "core/text/similarity.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

using Titles = std::vector<std::pair<std::string, int64_t>>;

constexpr int64_t sameLength = 6000; // ms
constexpr double proposed = 0.6;     // how sure a pair is to be proposed
constexpr size_t mostInBlock =
    120; // releases that are compared with each other because one thing is the same

/// Words that tell editions apart, not releases.
bool isEditionWord(std::string_view word) {
    static const std::set<std::string_view> words = {
        "edition", "remaster", "remastered", "remasters", "deluxe",   "expanded",  "anniversary",
        "reissue", "reissued", "bonus",      "limited",   "special",  "collector", "collectors",
        "mono",    "stereo",   "vinyl",      "cd",        "lp",       "ep",        "cassette",
        "digital", "disc",     "disk",       "version",   "pressing", "original",  "tracks",
        "with",    "the",      "single",     "hires",     "master",   "promo",     "import",
        "box",     "set",      "neuauflage"};
    return words.contains(word) || text::isDigits(word) ||
           (word.size() > 2 && text::isDigits(word.substr(0, word.size() - 2)) &&
            (word.ends_with("th") || word.ends_with("st") || word.ends_with("nd") || word.ends_with("rd")));
}

std::vector<std::string> wordsOf(std::string_view folded) {
    std::vector<std::string> out;
    std::string word;
    for (const char c : folded) {
        const bool part =
            static_cast<unsigned char>(c) >= 0x80 || (c >= 'a' && c <= 'z') || (c >= '0' && c <= '9');
        if (part)
            word += c;
        else if (!word.empty())
            out.push_back(std::exchange(word, {}));
    }
    if (!word.empty())
        out.push_back(std::move(word));
    return out;
}

bool tellsEditions(std::string_view part) {
    const auto words = wordsOf(part);
    // "(1979)" and "(2)" alone may be all that tells two albums apart; a year with a word of editions is one.
    const bool any = std::ranges::any_of(words, [](const std::string& w) {
        return isEditionWord(w) && !text::isDigits(w) && w != "the" && w != "with" && w != "set";
    });
    return !words.empty() && any &&
           std::ranges::all_of(words, [](const std::string& w) { return isEditionWord(w); });
}

struct Shape {
    std::string core, artist, number, barcode;
    text::Likened likedArtist, likedCore;
    Titles titles; // core titles of tracks, sorted
};

/// A title of a track without what changes from edition to edition.
std::string coreTrack(std::string_view folded) {
    std::string out(folded);
    for (const char open : {'(', '['})
        if (const size_t at = out.rfind(open); at != std::string::npos && at > 0)
            if (tellsEditions(std::string_view(out).substr(at)))
                out = text::trim(out.substr(0, at));
    if (const size_t at = out.rfind(" - "); at != std::string::npos && at > 0)
        if (tellsEditions(std::string_view(out).substr(at)))
            out = text::trim(out.substr(0, at));
    return out;
}

Shape shapeOf(const std::string& title, const std::string& artist, const std::string& number,
              const std::string& barcode, const Titles& titles) {
    Shape out;
    out.core = coreTitle(title);
    out.likedCore = text::Likened(out.core);
    out.artist = text::fold(artist);
    if (out.artist.starts_with("the "))
        out.artist.erase(0, 4);
    out.likedArtist = text::Likened(artist);
    out.number = reference::plainCode(number);
    out.barcode = reference::plainCode(barcode);
    for (const auto& [track, ms] : titles)
        if (!track.empty())
            out.titles.emplace_back(coreTrack(track), ms);
    std::ranges::sort(out.titles);
    return out;
}

/// Tracks of the shorter one that are on the other.
size_t sharedTracks(const Titles& a, const Titles& b) {
    size_t out = 0;
    std::vector<bool> used(b.size());
    for (const auto& [title, ms] : a)
        for (auto at = std::ranges::lower_bound(b, title, {}, &std::pair<std::string, int64_t>::first);
             at != b.end() && at->first == title; ++at) {
            const auto place = static_cast<size_t>(at - b.begin());
            if (used[place] || (ms > 0 && at->second > 0 && std::abs(ms - at->second) > sameLength))
                continue;
            used[place] = true;
            ++out;
            break;
        }
    return out;
}

EditionEvidence weigh(const Shape& a, const Shape& b) {
    EditionEvidence out;
    const bool bothArtists = !a.artist.empty() && !b.artist.empty();
    out.artist =
        bothArtists && (a.artist == b.artist || text::likeness(a.likedArtist, b.likedArtist) >= 0.85);
    const bool digitsDiffer = [&] { // "Volume 1" is not "Volume 2"
        std::vector<std::string> x, y;
        for (auto& w : wordsOf(a.core))
            if (text::isDigits(w))
                x.push_back(w);
        for (auto& w : wordsOf(b.core))
            if (text::isDigits(w))
                y.push_back(w);
        return x != y;
    }();
    const bool sameTitle = !a.core.empty() && a.core == b.core;
    const bool likeTitle =
        sameTitle ||
        (!digitsDiffer && !a.core.empty() && !b.core.empty() &&
         (text::isMisspelling(a.core, b.core) || text::likeness(a.likedCore, b.likedCore) >= 0.9));
    out.title = likeTitle;
    const Titles& shorter = a.titles.size() <= b.titles.size() ? a.titles : b.titles;
    const Titles& longer = a.titles.size() <= b.titles.size() ? b.titles : a.titles;
    out.of = shorter.size();
    out.shared = sharedTracks(shorter, longer);
    out.barcode = !a.barcode.empty() && a.barcode == b.barcode;
    out.number = a.number.size() > 3 && b.number.size() > 3 && a.number == b.number;
    const double share = out.of == 0 ? 0 : static_cast<double>(out.shared) / static_cast<double>(out.of);
    const double whole =
        longer.empty() ? 0 : static_cast<double>(out.shared) / static_cast<double>(longer.size());
    if (bothArtists && !out.artist) { // names are spelled in many ways, but then all else must be the same
        out.sure = sameTitle && out.of >= 4 && share >= 0.9 && whole >= 0.9 ? 0.7 : 0;
    } else if (out.of == 0) { // one of them has no tracks
        out.sure = sameTitle ? (out.artist ? 0.7 : 0.4) : likeTitle ? 0.45 : 0;
    } else if (likeTitle && (out.of >= 2 || whole >= 0.999)) {
        out.sure = share >= 0.5 ? 0.72 + 0.26 * share : share > 0.25 ? 0.5 : 0.2;
        if (!sameTitle)
            out.sure -= 0.06;
    } else if (likeTitle) { // a single and its album are called the same
        out.sure = share > 0 && whole >= 0.5 ? 0.7 : 0.3;
    } else if (out.artist && out.of >= 4 && whole >= 0.9) { // another title, the same tracks
        out.sure = 0.75;
    } else {
        out.sure = out.artist && share >= 0.9 && out.of >= 4 ? 0.45 : 0; // an anthology
    }
    if (out.barcode)
        out.sure = std::max(out.sure, 0.9);
    else if (out.number && likeTitle)
        out.sure = std::max(out.sure, 0.85);
    return out;
}

Shape shapeOf(const ReleaseEntry& e) {
    return shapeOf(e.title, e.artist, e.number, e.barcode, e.titles);
}

} // namespace

std::string EditionEvidence::words() const {
    std::vector<std::string> out;
    if (barcode)
        out.emplace_back("the same barcode");
    if (number)
        out.emplace_back("the same number");
    if (title)
        out.emplace_back("title alike");
    if (artist)
        out.emplace_back("artist alike");
    if (of > 0)
        out.push_back(fmt::format("{} of {} tracks", shared, of));
    return text::join(out, ", ");
}

std::string coreTitle(std::string_view title) {
    std::string out = text::fold(title);
    for (bool more = true; more;) {
        more = false;
        for (const auto& [open, close] : {std::pair('(', ')'), {'[', ']'}}) {
            const size_t at = out.rfind(open);
            if (at == std::string::npos || at == 0)
                continue;
            const size_t end = out.find(close, at);
            const std::string part =
                out.substr(at, end == std::string::npos ? std::string::npos : end - at + 1);
            if (tellsEditions(part)) {
                out = text::trim(out.substr(0, at) + (end == std::string::npos ? "" : out.substr(end + 1)));
                more = true;
            }
        }
        if (const size_t at = out.rfind(" - ");
            at != std::string::npos && at > 0 && tellsEditions(std::string_view(out).substr(at + 3))) {
            out = text::trim(out.substr(0, at));
            more = true;
        }
    }
    auto words = wordsOf(out);
    while (words.size() > 1 && (words.back() == "ep" || words.back() == "lp" || words.back() == "single"))
        words.pop_back();
    if (words.size() > 1 && words.front() == "the")
        words.erase(words.begin());
    return text::join(words, " ");
}

std::vector<LikeRelease> likeReleases(const ReleaseList& list, const ReleaseClue& clue, size_t most) {
    Titles titles;
    for (const auto& [title, ms] : clue.titles)
        titles.emplace_back(text::fold(title), ms);
    const Shape wanted = shapeOf(clue.title, clue.artist, clue.number, clue.barcode, titles);
    std::vector<LikeRelease> out;
    const std::vector<ReleaseEntry>& entries = list.entries();
    for (size_t i = 0; i < entries.size(); ++i) {
        const ReleaseEntry& e = entries[i];
        // Cheap ones first: there may be a hundred thousand, and one types.
        const bool code =
            (!wanted.barcode.empty() && reference::plainCode(e.barcode) == wanted.barcode) ||
            (wanted.number.size() > 2 && reference::plainCode(e.number).starts_with(wanted.number));
        const bool title =
            wanted.core.size() > 2 && e.searched.find(wanted.core.substr(0, 40)) != std::string::npos;
        if (!code && !title &&
            (wanted.titles.empty() || wanted.artist.empty() ||
             e.searched.find(wanted.artist) == std::string::npos))
            continue;
        LikeRelease like{i, weigh(wanted, shapeOf(e))};
        like.evidence.number |= code && !like.evidence.barcode && wanted.number.size() > 2;
        if (code)
            like.evidence.sure = std::max(like.evidence.sure, 0.8);
        else if (title && like.evidence.sure < 0.3)
            like.evidence.sure = 0.3;
        out.push_back(like);
    }
    std::ranges::stable_sort(out, std::greater(), [](const LikeRelease& l) { return l.evidence.sure; });
    out.resize(std::min(out.size(), most));
    return out;
}

std::vector<SetProposal> proposeSets(const ReleaseList& list, std::stop_token stop) {
    const std::vector<ReleaseEntry>& entries = list.entries();
    std::vector<Shape> shapes;
    shapes.reserve(entries.size());
    for (const ReleaseEntry& e : entries) {
        if (stop.stop_requested())
            return {};
        shapes.push_back(shapeOf(e));
    }
    // Releases that have something in common are compared: a title, a number, tracks of one artist.
    std::unordered_map<std::string, std::vector<uint32_t>> blocks;
    for (uint32_t i = 0; i < shapes.size(); ++i) {
        const Shape& s = shapes[i];
        if (!s.core.empty())
            blocks["t" + s.core].push_back(i);
        // Misspelled ones: the beginning and the artist.
        if (!s.artist.empty() && s.core.size() >= 4)
            blocks["b" + s.artist + "\n" + s.core.substr(0, 3)].push_back(i);
        if (!s.artist.empty() && s.core.size() >= 4)
            blocks["e" + s.artist + "\n" + s.core.substr(s.core.size() - 3)].push_back(i);
        if (!s.barcode.empty())
            blocks["c" + s.barcode].push_back(i);
        // Two of its tracks, so that an album of another name is found.
        if (s.titles.size() >= 4)
            for (size_t t = 0; t + 1 < std::min<size_t>(s.titles.size(), 4); ++t)
                blocks["x" + s.artist + "\n" + s.titles[t].first + "\n" + s.titles[t + 1].first].push_back(i);
    }
    std::map<ReleaseId, uint32_t> byId;
    for (uint32_t i = 0; i < entries.size(); ++i)
        if (entries[i].ref.id != 0)
            byId[entries[i].ref.id] = i;
    auto areApart = [&](uint32_t a, uint32_t b) {
        return (entries[b].ref.id != 0 &&
                std::ranges::find(entries[a].apart, entries[b].ref.id) != entries[a].apart.end()) ||
               (entries[a].ref.id != 0 &&
                std::ranges::find(entries[b].apart, entries[a].ref.id) != entries[b].apart.end());
    };
    struct Pair {
        uint32_t a, b;
        EditionEvidence evidence;
    };
    std::vector<Pair> pairs;
    std::set<std::pair<uint32_t, uint32_t>> seen;
    for (const auto& [key, block] : blocks) {
        if (stop.stop_requested())
            return {};
        if (block.size() < 2 || block.size() > mostInBlock)
            continue;
        for (size_t i = 0; i < block.size(); ++i)
            for (size_t j = i + 1; j < block.size(); ++j) {
                const uint32_t a = block[i], b = block[j];
                if (!seen.emplace(a, b).second || areApart(a, b))
                    continue;
                EditionEvidence evidence = weigh(shapes[a], shapes[b]);
                if (evidence.sure >= proposed)
                    pairs.push_back({a, b, evidence});
            }
    }
    std::ranges::stable_sort(pairs, std::greater(), [](const Pair& p) { return p.evidence.sure; });

    // The surest first; what holds together is one proposal.
    std::vector<uint32_t> parent(entries.size());
    std::iota(parent.begin(), parent.end(), 0u);
    auto root = [&](uint32_t i) {
        while (parent[i] != i)
            i = parent[i] = parent[parent[i]];
        return i;
    };
    std::map<ReleaseId, uint32_t> ofSet;
    for (uint32_t i = 0; i < entries.size(); ++i)
        if (entries[i].set != 0) {
            const auto [first, isNew] = ofSet.try_emplace(entries[i].set, i);
            if (!isNew)
                parent[root(i)] = root(first->second);
        }
    std::vector<Pair> joining;
    for (const Pair& p : pairs)
        if (const uint32_t a = root(p.a), b = root(p.b); a != b) {
            parent[a] = b;
            joining.push_back(p);
        }
    std::map<uint32_t, SetProposal> groups;
    for (const Pair& p : joining) {
        SetProposal& group = groups[root(p.a)];
        if (group.entries.empty() || p.evidence.sure < group.evidence.sure)
            group.evidence = p.evidence;
        for (const uint32_t i : {p.a, p.b})
            if (std::ranges::find(group.entries, i) == group.entries.end())
                group.entries.push_back(i);
    }
    std::vector<SetProposal> out;
    for (auto& [first, group] : groups) {
        std::ranges::sort(group.entries);
        out.push_back(std::move(group));
    }
    std::ranges::stable_sort(out, std::greater(), [](const SetProposal& p) { return p.evidence.sure; });
    return out;
}

} // namespace moorfrost::library
