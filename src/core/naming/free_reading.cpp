// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/naming/free_reading.h"

#include <algorithm>
#include <cmath>
#include <functional>
#include <map>
#include <set>
#include <unordered_map>

#include <fmt/format.h>

#include "core/naming/folder_names.h"
#include "core/naming/name_candidates.h"
#include "core/naming/name_text.h"
#include "core/naming/positions.h"
#include "core/text/text.h"

namespace moorfrost::naming {

namespace {

/// How often what stands in a slot is met in a folder, for one shape of names.
struct Slots {
    std::unordered_map<std::string, size_t> artists, albums, titles; // by key
    size_t files = 0;
};

struct File {
    size_t index = 0; // in the paths
    std::vector<NameCandidate> candidates;
    std::vector<std::pair<double, size_t>> ranked; // the best first
};

/// The files of one folder.
struct Group {
    std::vector<File> files;
    std::vector<std::string> levels; // the nearest first, below what all have in common
    std::vector<std::string> above;  // the nearest, whatever
    bool tellsArtists() const {
        const auto n = std::ranges::count_if(files, [](const File& f) {
            return !f.ranked.empty() && !f.candidates[f.ranked.front().second].artist.empty();
        });
        return static_cast<size_t>(n) * 2 > files.size();
    }
};

double shareOf(const std::unordered_map<std::string, size_t>& counts, const std::string& key, size_t files) {
    const auto it = counts.find(key);
    return it == counts.end() || files == 0 ? 0
                                            : static_cast<double>(it->second) / static_cast<double>(files);
}

/// What the names of a folder have in common.
class Judge {
public:
    Judge(const Group& group, const KnownNames& known) : group_(group), known_(known) {
        for (const File& f : group.files) {
            std::map<std::string, bool> seen;
            bool peels = false;
            for (const NameCandidate& c : f.candidates) {
                Slots& s = slots_[c.shape];
                s.files += !std::exchange(seen[c.shape], true);
                ++s.artists[c.artistKey];
                ++s.albums[c.albumKey];
                ++s.titles[c.titleKey];
                peels = peels || c.position;
            }
            peeling_ += peels;
        }
    }
    void setFolder(const FolderSays& folder) {
        folderArtist_ = KnownNames::keyOf(folder.artist);
        folderAlbum_ = KnownNames::keyOf(folder.album);
    }
    /// In the second round: of how many files each shape was the best.
    void setWinners(const std::unordered_map<std::string, size_t>& winners) { winners_ = winners; }

    double score(const NameCandidate& c) const {
        const size_t n = group_.files.size();
        const Slots& slots = slots_.at(c.shape);
        const bool several = n >= 3;
        const double all = static_cast<double>(n);
        double points = c.base;
        const bool artistKnown = !c.artist.empty() && known_.find(c.artist);
        if (!c.artist.empty()) {
            const double share = shareOf(slots.artists, c.artistKey, slots.files);
            if (artistKnown)
                points += 8;
            if (slots.files >= 3 && share >= 0.6)
                points += 4;
            if (!folderArtist_.empty())
                points += c.artistKey == folderArtist_ ? 6 : artistKnown ? -1 : -3;
            if (!folderAlbum_.empty() && c.artistKey == folderAlbum_ && c.album.empty() && !artistKnown)
                points -= 4; // it is the album
        }
        if (!c.album.empty()) {
            const double share = shareOf(slots.albums, c.albumKey, slots.files);
            if (c.albumKey == folderAlbum_)
                points += 5;
            else if (slots.files >= 3 && share >= 0.6) // a hyphen without spaces may be a part of a name
                points += c.shape.find("}-{") == std::string::npos ? 3 : 1;
            else
                points -= several ? 6 : 4;
            if (known_.find(c.album))
                points -= 6;
        }
        const double sameTitle = shareOf(slots.titles, c.titleKey, slots.files);
        if (slots.files >= 3 && sameTitle >= 0.5)
            points -= 6;
        if (known_.find(c.title) && !artistKnown)
            points -= 8;
        else if (known_.find(c.title))
            points -= 1;
        if (c.titleKey == folderArtist_ && !folderArtist_.empty())
            points -= 5;
        const double peeling = static_cast<double>(peeling_) / all;
        if (c.position)
            points += (c.position->strict ? 2 : 0.5) + (several && peeling >= 0.6 ? 2.5 : 0);
        else if (c.couldPeel)
            points -= (c.couldPeel == 2 ? 4 : 0.5) + (several && peeling >= 0.6 ? 3 : 0);
        if (const auto it = winners_.find(c.shape); several && it != winners_.end())
            points += 6 * std::max(0.0, static_cast<double>(it->second) / all - 0.5);
        if (c.artist.empty() && folderArtist_.empty())
            points -= 1; // somebody made it
        return points;
    }

private:
    const Group& group_;
    const KnownNames& known_;
    std::unordered_map<std::string, Slots> slots_;
    std::unordered_map<std::string, size_t> winners_;
    std::string folderArtist_, folderAlbum_;
    size_t peeling_ = 0;
};

void rank(Group& group, const Judge& judge) {
    for (File& f : group.files) {
        f.ranked.clear();
        for (size_t c = 0; c < f.candidates.size(); ++c)
            f.ranked.emplace_back(judge.score(f.candidates[c]), c);
        std::ranges::stable_sort(f.ranked, std::greater(), [](const auto& r) { return r.first; });
    }
}

std::unordered_map<std::string, size_t> winnersOf(const Group& group) {
    std::unordered_map<std::string, size_t> out;
    for (const File& f : group.files)
        if (!f.ranked.empty())
            ++out[f.candidates[f.ranked.front().second].shape];
    return out;
}

/// The artist that most of the names tell, if they do.
std::string artistOf(const Group& group) {
    std::map<std::string, std::pair<size_t, std::string>> counts;
    for (const File& f : group.files)
        if (!f.ranked.empty())
            if (const NameCandidate& c = f.candidates[f.ranked.front().second]; !c.artist.empty()) {
                auto& [n, name] = counts[c.artistKey];
                ++n;
                name = c.artist;
            }
    for (const auto& [key, entry] : counts)
        if (entry.first * 2 > group.files.size())
            return entry.second;
    return {};
}

tags::Fields fieldsOf(const NameCandidate& c, const FolderSays& folder, const Positions& places,
                      const KnownNames& known) {
    tags::Fields out;
    TitleParts title = titleParts(c.title);
    title.guests.insert(title.guests.end(), c.guests.begin(), c.guests.end());
    out["title"] = {title.title};
    std::string artist = c.artist.empty() ? folder.artist : c.artist;
    if (const std::string* own = known.find(artist))
        artist = *own;
    if (!artist.empty()) {
        out["artist"] = {artist};
        for (const std::string& guest : title.guests) {
            const std::string* own = known.find(guest);
            if (KnownNames::keyOf(guest) != KnownNames::keyOf(artist))
                out["artist"].push_back(own ? *own : guest);
        }
    }
    if (const std::string album = c.album.empty() ? folder.album : c.album; !album.empty())
        out["album"] = {album};
    if (const std::string date = c.date.empty() ? folder.date : c.date; !date.empty())
        out["date"] = {date};
    if (c.position)
        places.put(*c.position, folder.disc, out);
    else if (folder.disc > 0)
        out["disc"] = {std::to_string(folder.disc)};
    return out;
}

bool sameWords(const NameCandidate& a, const NameCandidate& b) {
    return a.titleKey == b.titleKey && a.artistKey == b.artistKey && a.albumKey == b.albumKey;
}

struct Read {
    NameReading reading;
    std::string plan; // folders and name
};

void readGroup(Group& group, const KnownNames& known, std::vector<Read>& out) {
    Judge judge(group, known);
    rank(group, judge);
    const std::string inNames = artistOf(group);
    FolderSays folder = readFolders(group.levels, known, inNames, group.tellsArtists());
    bool believed = true; // the folders
    if (folder.album.empty() && folder.artist.empty()) {
        // All files at hand lie here (or in folders of its discs): where it lies tells for certain only what
        // somebody is known by.
        folder = readFolders(group.above, known, inNames, group.tellsArtists());
        believed = folder.knownArtist;
        if (!believed && (group.tellsArtists() || folder.artist.empty()))
            folder = {.artist = {}, .album = {}, .date = {}, .disc = folder.disc};
    }
    if (!folder.sure)
        folder = {.artist = {}, .album = {}, .date = folder.date, .disc = folder.disc};
    judge.setFolder(folder);
    rank(group, judge);
    judge.setWinners(winnersOf(group));
    rank(group, judge);
    std::vector<const NameCandidate*> best;
    for (const File& f : group.files)
        best.push_back(f.ranked.empty() ? nullptr : &f.candidates[f.ranked.front().second]);
    std::vector<Position> positions;
    for (const NameCandidate* c : best)
        if (c && c->position)
            positions.push_back(*c->position);
    const Positions places(positions);
    for (const File& f : group.files) {
        Read& read = out[f.index];
        NameReading& r = read.reading;
        if (f.ranked.empty()) {
            r.why = "There is nothing in the name that can be read.";
            continue;
        }
        const NameCandidate& first = *best[&f - group.files.data()];
        r.fits = true;
        r.values = fieldsOf(first, folder, places, known);
        read.plan = (folder.plan.empty() ? std::string() : folder.plan + "/") + first.shape;
        // A candidate that differs by more than its number is another reading.
        for (const auto& [points, number] : f.ranked) {
            const NameCandidate& other = f.candidates[number];
            if (sameWords(first, other))
                continue;
            const double margin = f.ranked.front().first - points;
            r.other = fieldsOf(other, folder, places, known);
            r.certainty = 1 / (1 + std::exp(-margin / 1.5));
            r.doubtful = margin < 3.3;
            break;
        }
        if (!believed && !folder.artist.empty() && !r.doubtful) {
            r.doubtful = true;
            r.why = fmt::format("Only the folders tell the artist: {}.", folder.artist);
            r.other =
                fieldsOf(first, {.artist = {}, .album = {}, .date = {}, .disc = folder.disc}, places, known);
            r.certainty = std::min(r.certainty, 0.6);
        } else if (!r.values.contains("artist") && !r.doubtful) {
            r.doubtful = true;
            r.why = "Nothing tells whose title it is.";
            r.certainty = std::min(r.certainty, 0.5);
        } else if (r.doubtful)
            for (const auto& [key, values] : r.values)
                if (const auto it = r.other.find(key); it == r.other.end() || it->second != values) {
                    r.why = fmt::format("{} \"{}\" or \"{}\"?", tags::labelOf(key), tags::shownValues(values),
                                        it == r.other.end() ? "" : tags::shownValues(it->second));
                    break;
                }
    }
}

std::vector<Group> groupsOf(const std::vector<Path>& paths, const KnownNames& known, std::stop_token stop) {
    Path common;
    for (size_t i = 0; i < paths.size(); ++i) {
        const Path folder = paths[i].parent_path();
        if (i == 0) {
            common = folder;
            continue;
        }
        auto end = std::ranges::mismatch(common, folder).in1;
        Path shorter;
        for (auto it = common.begin(); it != end; ++it)
            shorter /= *it;
        common = shorter;
    }
    std::map<Path, size_t> numbers;
    std::vector<Group> out;
    for (size_t i = 0; i < paths.size() && !stop.stop_requested(); ++i) {
        const Path folder = paths[i].parent_path();
        const auto [it, fresh] = numbers.try_emplace(folder, out.size());
        if (fresh) {
            Group& g = out.emplace_back();
            Path at = folder;
            for (; at != common && at.has_relative_path() && g.levels.size() < 4; at = at.parent_path())
                g.levels.push_back(at.filename().native());
            at = folder;
            for (int n = 0; n < 3 && at.has_relative_path(); ++n, at = at.parent_path())
                g.above.push_back(at.filename().native());
        }
        File file;
        file.index = i;
        file.candidates = nameCandidates(readableName(paths[i].stem().native()), known);
        out[it->second].files.push_back(std::move(file));
    }
    return out;
}

/// Who is named without doubt in one place is known in the others.
KnownNames learned(const std::vector<Read>& all, const KnownNames& known) {
    std::map<std::string, std::pair<size_t, std::string>> counts;
    for (const Read& read : all)
        if (const auto it = read.reading.values.find("artist");
            it != read.reading.values.end() && !read.reading.doubtful && !known.find(it->second.front())) {
            auto& [n, name] = counts[KnownNames::keyOf(it->second.front())];
            ++n;
            name = it->second.front();
        }
    KnownNames out = known;
    for (const auto& [key, entry] : counts)
        if (entry.first >= 3)
            out.add(entry.second);
    return out;
}

std::vector<Read> readAll(const std::vector<Path>& paths, const KnownNames& known, std::stop_token stop) {
    std::vector<Read> out(paths.size());
    for (Group& group : groupsOf(paths, known, stop)) {
        if (stop.stop_requested())
            return out;
        readGroup(group, known, out);
    }
    const KnownNames more = learned(out, known);
    if (more.size() == known.size())
        return out;
    // What is in doubt is read again, knowing more.
    std::set<Path> doubtful;
    for (size_t i = 0; i < paths.size(); ++i)
        if (out[i].reading.doubtful)
            doubtful.insert(paths[i].parent_path());
    for (Group& group : groupsOf(paths, more, stop)) {
        if (stop.stop_requested())
            return out;
        if (doubtful.contains(paths[group.files.front().index].parent_path())) {
            for (const File& f : group.files)
                out[f.index] = {};
            readGroup(group, more, out);
        }
    }
    return out;
}

} // namespace

std::vector<NameReading> readFreely(const std::vector<Path>& paths, const KnownNames& known,
                                    std::stop_token stop) {
    std::vector<NameReading> out;
    for (Read& read : readAll(paths, known, stop))
        out.push_back(std::move(read.reading));
    return out;
}

std::vector<PlanSuggestion> suggestPlans(const std::vector<Path>& paths, const KnownNames& known,
                                         const std::vector<std::string>& usual, std::stop_token stop) {
    constexpr size_t mostFiles = 400, mostPlans = 24;
    std::vector<Path> sample;
    const size_t step = std::max<size_t>(1, paths.size() / mostFiles);
    for (size_t i = 0; i < paths.size(); i += step)
        sample.push_back(paths[i]);
    // Those that the names tell, the frequent first.
    std::map<std::string, size_t> counts;
    for (const Read& read : readAll(sample, known, stop))
        if (!read.plan.empty())
            ++counts[read.plan];
    std::vector<std::pair<size_t, std::string>> told;
    for (const auto& [plan, n] : counts)
        told.emplace_back(n, plan);
    std::ranges::stable_sort(told, std::greater(), [](const auto& t) { return t.first; });
    std::vector<std::string> plans;
    for (const auto& [n, plan] : told)
        if (plans.size() < mostPlans / 2)
            plans.push_back(plan);
    for (const std::string& plan : usual)
        if (plans.size() < mostPlans && std::ranges::find(plans, plan) == plans.end())
            plans.push_back(plan);
    std::set<std::string> artists;
    known.eachFolded([&](const std::string& folded) { artists.insert(folded); });
    struct Ranked {
        PlanSuggestion suggestion;
        double points = 0;
    };
    std::vector<Ranked> ranked;
    for (const std::string& text : plans) {
        if (stop.stop_requested())
            return {};
        const auto parsed = parsePlan(text);
        const auto* plan = std::get_if<Plan>(&parsed);
        if (!plan)
            continue;
        Ranked r;
        r.suggestion.plan = text;
        const std::vector<NameReading> readings = readNames(*plan, sample, artists);
        for (size_t i = 0; i < readings.size(); ++i) {
            if (!readings[i].fits)
                continue;
            if (r.suggestion.fits == 0) {
                r.suggestion.first = i * step;
                r.suggestion.sample = readings[i];
            }
            ++r.suggestion.fits;
            r.suggestion.doubtful += readings[i].doubtful;
        }
        if (r.suggestion.fits == 0)
            continue;
        const auto told_ = counts.find(text);
        const double size = static_cast<double>(sample.size());
        // What the names tell by themselves counts most; then what fits without doubt; then what tells more.
        r.points = (told_ == counts.end() ? 0.0 : 3 * static_cast<double>(told_->second) / size) +
                   static_cast<double>(r.suggestion.fits) / size -
                   0.6 * static_cast<double>(r.suggestion.doubtful) / size +
                   0.02 * static_cast<double>(plan->keys().size());
        if (step > 1) { // of all files, roughly
            r.suggestion.fits = r.suggestion.fits * paths.size() / sample.size();
            r.suggestion.doubtful = r.suggestion.doubtful * paths.size() / sample.size();
        }
        ranked.push_back(std::move(r));
    }
    std::ranges::stable_sort(ranked, std::greater(), &Ranked::points);
    std::vector<PlanSuggestion> out;
    for (Ranked& r : ranked)
        out.push_back(std::move(r.suggestion));
    return out;
}

} // namespace moorfrost::naming
