// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/matching/folder_parts.h"

#include <algorithm>
#include <array>
#include <functional>
#include <iterator>
#include <map>
#include <numeric>
#include <optional>
#include <set>

#include <fmt/format.h>

#include "core/text/similarity.h"
#include "core/text/text.h"

namespace moorfrost::matching {

namespace {

using Files = std::vector<const FileTraits*>;
using KeyOf = std::function<std::string(const FileTraits&)>;

Slot slotOf(const FileTraits& f) {
    return {f.disc, f.track};
}

std::map<std::string, Files> groupedBy(const Files& files, const KeyOf& key) {
    std::map<std::string, Files> out;
    for (const FileTraits* f : files)
        out[key(*f)].push_back(f);
    return out;
}

/// The key that most have, of those that have one.
std::string commonest(const Files& files, const KeyOf& key) {
    std::map<std::string, size_t> counts;
    for (const FileTraits* f : files)
        if (std::string k = key(*f); !k.empty())
            ++counts[std::move(k)];
    auto best = std::max_element(counts.begin(), counts.end(),
                                 [](const auto& a, const auto& b) { return a.second < b.second; });
    return best == counts.end() ? std::string() : best->first;
}

size_t different(const Files& files, const KeyOf& key) {
    std::set<std::string> keys;
    for (const FileTraits* f : files)
        if (std::string k = key(*f); !k.empty())
            keys.insert(std::move(k));
    return keys.size();
}

std::vector<const FileTraits*> byTime(std::vector<const FileTraits*> files) {
    std::sort(files.begin(), files.end(), [](const FileTraits* a, const FileTraits* b) {
        return std::tie(a->modified, a->id) < std::tie(b->modified, b->id);
    });
    return files;
}

/// When a file was written: before or after the one long pause that there was in the writing of all of them.
/// "" where there was none.
KeyOf bySession(const std::vector<const FileTraits*>& files) {
    std::vector<int64_t> times;
    for (const FileTraits* f : files)
        times.push_back(f->modified);
    std::sort(times.begin(), times.end());
    constexpr int64_t shortest = 600; // seconds
    int64_t longest = 0, second = 0, after = 0;
    for (size_t i = 1; i < times.size(); ++i)
        if (const int64_t pause = times[i] - times[i - 1]; pause > longest) {
            second = std::exchange(longest, pause);
            after = times[i];
        } else {
            second = std::max(second, pause);
        }
    if (times.empty() || times.front() == 0 || longest < shortest || longest < 5 * second)
        return [](const FileTraits&) { return std::string(); };
    return [after](const FileTraits& f) { return std::string(f.modified < after ? "earlier" : "later"); };
}

/// Whether a file was finished about its own length after another: they were recorded one after the other,
/// with some time between them.
bool followsInTime(const FileTraits& before, const FileTraits& f) {
    const auto between = static_cast<double>(f.modified - before.modified);
    const bool others = !before.artist.empty() && !f.artist.empty() && before.artist != f.artist;
    return !others && before.modified > 0 && f.seconds >= 20 && between >= f.seconds * 0.95 - 3 &&
           between <= f.seconds * 1.1 + 90;
}

const KeyOf byAlbum = [](const FileTraits& f) { return f.album; };
const KeyOf byAlbumArtist = [](const FileTraits& f) { return f.albumArtist; };
const KeyOf byArtist = [](const FileTraits& f) { return f.artist; };
const KeyOf byFormat = [](const FileTraits& f) { return f.format; };
const KeyOf byBarcode = [](const FileTraits& f) { return f.barcode; };
const KeyOf byYear = [](const FileTraits& f) { return f.year > 0 ? std::to_string(f.year) : std::string(); };

/// Whether one spelling is that of a few, who would otherwise have no release of their own.
bool isMisspelled(const Files& a, const Files& b) {
    if (!text::isMisspelling(a.front()->album, b.front()->album))
        return false;
    const std::string artistA = commonest(a, byArtist), artistB = commonest(b, byArtist);
    if (!artistA.empty() && !artistB.empty() && !text::isMisspelling(artistA, artistB))
        return false;
    Files both = a;
    both.insert(both.end(), b.begin(), b.end());
    return doubles(both) == 0;
}

/// Album keys of one folder, those that are misspellings of each other together. Neighbours in alphabetical
/// order are compared, from the front and from the back: one of the two ends is mostly spelled right.
std::vector<Files> albumsOf(const Files& files) {
    std::vector<Files> groups;
    for (auto& [key, members] : groupedBy(files, byAlbum))
        groups.push_back(std::move(members));
    constexpr size_t window = 6;
    std::vector<size_t> order(groups.size()), leader(groups.size());
    std::iota(order.begin(), order.end(), size_t{0});
    std::iota(leader.begin(), leader.end(), size_t{0});
    auto join = [&] {
        for (size_t i = 0; i < order.size(); ++i)
            for (size_t j = i + 1; j < std::min(order.size(), i + 1 + window); ++j) {
                size_t a = leader[order[i]], b = leader[order[j]];
                if (a == b || groups[a].empty() || groups[b].empty() || !isMisspelled(groups[a], groups[b]))
                    continue;
                if (groups[a].size() < groups[b].size())
                    std::swap(a, b); // the spelling of the most comes first
                groups[a].insert(groups[a].end(), groups[b].begin(), groups[b].end());
                groups[b].clear();
                std::replace(leader.begin(), leader.end(), b, a);
            }
    };
    if (groups.size() > 1) {
        join(); // they are in alphabetical order
        std::vector<std::string> backwards;
        for (const Files& g : groups)
            backwards.emplace_back(
                g.empty() ? std::string() : std::string(g.front()->album.rbegin(), g.front()->album.rend()));
        std::sort(order.begin(), order.end(),
                  [&](size_t a, size_t b) { return backwards[a] < backwards[b]; });
        join();
    }
    std::erase_if(groups, [](const Files& g) { return g.empty(); });
    return groups;
}

Part partOf(Files files, std::string reason) {
    Part p;
    p.files = std::move(files);
    p.reasons.push_back(std::move(reason));
    return p;
}

std::string quoted(const std::string& s) {
    return "\"" + s + "\"";
}

std::string counted(size_t n, const char* one, const char* several) {
    return fmt::format("{} {}", n, n == 1 ? one : several);
}

std::string albumReason(const Files& files) {
    std::map<std::string, size_t> spellings;
    for (const FileTraits* f : files)
        ++spellings[f->shownAlbum];
    auto most = std::max_element(spellings.begin(), spellings.end(),
                                 [](const auto& a, const auto& b) { return a.second < b.second; });
    if (spellings.size() == 1)
        return files.size() == 1 ? "It names the album " + quoted(most->first) + "."
                                 : "They are in one folder and name the album " + quoted(most->first) + ".";
    std::string others;
    size_t shown = 0;
    for (const auto& [spelling, n] : spellings)
        if (spelling != most->first && ++shown <= 3)
            others += (others.empty() ? "" : ", ") + quoted(spelling);
    if (shown > 3)
        others += " ...";
    return fmt::format("They are in one folder, and {} of {} name the album {}; spelled otherwise: {}.",
                       most->second, files.size(), quoted(most->first), others);
}

/// Of files that stay together though some have the same number.
std::string doubledReason(const Files& files) {
    std::map<Slot, std::vector<double>> lengths;
    for (const FileTraits* f : files)
        if (f->track > 0)
            lengths[slotOf(*f)].push_back(f->seconds);
    size_t alike = 0, others = 0;
    for (auto& [slot, list] : lengths) {
        std::sort(list.begin(), list.end());
        for (size_t i = 1; i < list.size(); ++i)
            ++(list[i] > 0 && list[i] - list[i - 1] < 1 ? alike : others);
    }
    std::string out;
    if (alike > 0)
        out = counted(alike, "number is there twice, at the same length.",
                      "numbers are there more than once, at the same length.");
    if (others > 0)
        out += (out.empty() ? "" : " ") + counted(others, "number is there twice, at another length.",
                                                  "numbers are there more than once, at another length.");
    return out;
}

struct Divider {
    KeyOf key;
    const char* what;
};

/// Divides by what keeps the files apart that have the same number: each part has less doubles, none is
/// small. Those that do not tell go where their number is free.
std::optional<std::vector<Files>> divided(const Files& files, const KeyOf& key) {
    auto groups = groupedBy(files, key);
    Files silent;
    if (auto it = groups.find(""); it != groups.end()) {
        silent = std::move(it->second);
        groups.erase(it);
    }
    if (groups.size() < 2)
        return std::nullopt;
    size_t left = 0, smallest = files.size();
    for (const auto& [k, members] : groups) {
        left += doubles(members);
        smallest = std::min(smallest, members.size());
    }
    if (left * 5 > doubles(files) || (smallest < 2 && files.size() > 3))
        return std::nullopt;
    std::vector<Files> out;
    for (auto& [k, members] : groups)
        out.push_back(std::move(members));
    std::vector<std::set<Slot>> taken(out.size());
    for (size_t i = 0; i < out.size(); ++i)
        for (const FileTraits* f : out[i])
            taken[i].insert(slotOf(*f));
    for (const FileTraits* f : silent) {
        auto free = std::find_if(taken.begin(), taken.end(),
                                 [&](const std::set<Slot>& t) { return !t.contains(slotOf(*f)); });
        const size_t to = free == taken.end() ? 0 : static_cast<size_t>(free - taken.begin());
        out[to].push_back(f);
        taken[to].insert(slotOf(*f));
    }
    return out;
}

/// One album by name may be several releases.
void divideAlbum(const Files& files, std::vector<Part>& out) {
    const std::string reason = albumReason(files);
    auto add = [&](std::vector<Files>& groups, const char* what) {
        for (Files& g : groups) {
            Part p = partOf(std::move(g), reason);
            p.reasons.push_back(std::string("Others of this album in the folder have another ") + what + ".");
            out.push_back(std::move(p));
        }
    };
    auto told = [&](const KeyOf& key) -> std::optional<std::vector<Files>> {
        auto groups = groupedBy(files, key);
        if (groups.size() < 2 || groups.contains(""))
            return std::nullopt;
        std::vector<Files> apart;
        for (auto& [k, members] : groups)
            apart.push_back(std::move(members));
        return apart;
    };
    if (auto groups = told(byBarcode)) {
        add(*groups, "barcode");
        return;
    }
    const size_t doubled = doubles(files);
    // Album artists that are told by all and are not spellings of each other keep apart what has doubles.
    if (doubled * 10 >= files.size() && doubled > 1)
        for (const Divider& d :
             {Divider{byAlbumArtist, "album artist"}, Divider{byFormat, "format"}, Divider{byYear, "date"},
              Divider{byArtist, "artist"}, Divider{bySession(files), "time of writing"}})
            if (auto groups = divided(files, d.key)) {
                add(*groups, d.what);
                return;
            }
    if (auto groups = told(byAlbumArtist)) {
        bool alike = false;
        for (size_t i = 0; i < groups->size(); ++i)
            for (size_t j = i + 1; j < std::min(groups->size(), i + 8); ++j)
                alike = alike || text::isMisspelling((*groups)[i].front()->albumArtist,
                                                     (*groups)[j].front()->albumArtist);
        // A name among several of one release is not another release.
        const bool large =
            std::all_of(groups->begin(), groups->end(), [](const Files& g) { return g.size() > 1; });
        if (!alike && large && different(files, byArtist) > 1) {
            add(*groups, "album artist");
            return;
        }
    }
    out.push_back(partOf(files, reason));
    if (std::string twice = doubledReason(files); !twice.empty())
        out.back().reasons.push_back(std::move(twice));
}

/// What an album of a folder has, to which files without an album are added.
struct Room {
    explicit Room(const Part& p) : part(&p), slots(p.slots.begin(), p.slots.end()) {
        for (const FileTraits* f : p.files)
            artists.insert(f->artist);
    }
    const Part* part;
    std::set<Slot> slots;
    std::set<std::string> artists;
};

/// Whether a file that names no album belongs to an album of its folder.
bool fits(const FileTraits& f, const Room& room, bool onlyOne) {
    if (!f.artist.empty() && !room.part->compilation && f.artist != room.part->artist &&
        !room.artists.contains(f.artist))
        return false;
    const bool sameArtist = !f.artist.empty() && f.artist == room.part->artist;
    if (f.track == 0)
        return onlyOne && sameArtist;
    if (room.slots.contains(slotOf(f)))
        return false;
    const int last = room.slots.empty() ? 0 : room.slots.rbegin()->second;
    return f.track <= std::max(last, f.tracks) + 2 && (onlyOne || sameArtist);
}

/// Names of folders that say nothing of what is in them.
bool saysNothing(const Path& folder) {
    constexpr std::array<std::string_view, 14> names{"strays", "downloads", "download", "incoming", "music",
                                                     "audio",  "unsorted",  "misc",     "various",  "new",
                                                     "temp",   "tmp",       "desktop",  "singles"};
    return std::find(names.begin(), names.end(), text::fold(text::forDisplay(folder.filename().native()))) !=
           names.end();
}

/// 1, 2, 3 ... with few left out and none doubled.
bool isSequence(const Files& files) {
    std::map<int, std::set<int>> discs;
    for (const FileTraits* f : files)
        discs[f->disc].insert(f->track);
    size_t last = 0, known = 0;
    for (const auto& [disc, tracks] : discs) {
        last += static_cast<size_t>(*tracks.rbegin() % 100); // 101, 102: disc one
        known += tracks.size();
    }
    return known * 5 >= files.size() * 4 && last <= known + known / 2 + 2;
}

/// Offers what was recorded one after the other, and gives back the others.
Files withoutRecordedTogether(Files files, FolderParts& out) {
    constexpr size_t least = 3;
    Files rest, chain;
    auto end = [&] {
        if (chain.size() < least) {
            rest.insert(rest.end(), chain.begin(), chain.end());
        } else {
            out.parts.push_back(
                partOf(chain, "They were recorded one after the other: each was finished about its own "
                              "length after the one before. They name no album."));
        }
        chain.clear();
    };
    for (const FileTraits* f : byTime(std::move(files))) {
        if (!chain.empty() && !followsInTime(*chain.back(), *f))
            end();
        chain.push_back(f);
    }
    end();
    return rest;
}

/// Files that name no album: by the numbers in their names, by what stands before them, by one artist.
void divideNameless(const Files& files, bool onlyThese, FolderParts& out) {
    Files rest;
    auto offer = [&](Files& group, std::string reason) {
        out.parts.push_back(partOf(std::move(group), std::move(reason)));
    };
    Files numbered, unnumbered, sides;
    for (const FileTraits* f : files)
        (f->track > 0 ? numbered : f->name.side > 0 ? sides : unnumbered).push_back(f);
    size_t offered = 0;
    for (auto& [before, group] : groupedBy(sides, [](const FileTraits& f) { return f.name.before; })) {
        const size_t all = different(group, [](const FileTraits& f) { return std::to_string(f.name.side); });
        if (group.size() > 1 && all == group.size())
            offer(
                group,
                "The names of the files begin alike and tell the sides of one carrier; they name no album.");
        else
            unnumbered.insert(unnumbered.end(), group.begin(), group.end());
    }
    for (auto& [before, group] : groupedBy(numbered, [](const FileTraits& f) { return f.name.before; })) {
        std::vector<Files> candidates{group};
        if (doubles(group) > 1)
            for (const KeyOf& key : {byArtist, byFormat, bySession(group)})
                if (auto apart = divided(group, key)) {
                    candidates = *apart;
                    break;
                }
        for (Files& c : candidates) {
            const size_t least = before.empty() ? 3 : 2;
            // Who plays may differ only where the numbers are whole.
            const bool together = different(c, byArtist) <= 1 || doubles(c) == 0;
            if (c.size() >= least && isSequence(c) && together) {
                offer(c, before.empty()
                             ? "They are in one folder and numbered; they name no album."
                             : "The names of the files begin alike and are numbered; they name no album.");
                ++offered;
            } else {
                rest.insert(rest.end(), c.begin(), c.end());
            }
        }
    }
    // Among numbered files of one artist, one without a number is most likely of them.
    const std::string theirs =
        onlyThese && offered == 1 ? commonest(out.parts.back().files, byArtist) : std::string();
    for (const FileTraits* f : unnumbered) {
        const std::string& artist = f->artist.empty() ? f->name.artist : f->artist;
        (!theirs.empty() && artist == theirs ? out.parts.back().files : rest).push_back(f);
    }
    rest = withoutRecordedTogether(std::move(rest), out);
    const KeyOf byAnyArtist = [](const FileTraits& f) { return f.artist.empty() ? f.name.artist : f.artist; };
    const bool one =
        rest.size() >= 3 && different(rest, byAnyArtist) == 1 && groupedBy(rest, byAnyArtist).size() == 1;
    if (onlyThese && out.parts.empty() && one && !saysNothing(rest.front()->folder) && doubles(rest) == 0) {
        offer(rest, "They are all that is in their folder, and of one artist; they name no album.");
        return;
    }
    out.strays.insert(out.strays.end(), rest.begin(), rest.end());
}

} // namespace

size_t doubles(std::span<const FileTraits* const> files) {
    std::vector<Slot> slots;
    for (const FileTraits* f : files)
        if (f->track > 0)
            slots.push_back(slotOf(*f));
    std::sort(slots.begin(), slots.end());
    const size_t all = slots.size();
    slots.erase(std::unique(slots.begin(), slots.end()), slots.end());
    return all - slots.size();
}

void describe(Part& p) {
    p.album = commonest(p.files, byAlbum);
    p.artist = commonest(p.files, byAlbumArtist);
    p.byAlbumArtist = !p.artist.empty();
    const size_t artists = different(p.files, byArtist);
    const std::string artist = commonest(p.files, byArtist);
    auto ofThat = static_cast<size_t>(std::count_if(
        p.files.begin(), p.files.end(), [&](const FileTraits* f) { return f->artist == artist; }));
    p.compilation =
        p.artist == "*" || (!p.byAlbumArtist && artists > 2 && ofThat * 2 <= p.files.size()) ||
        std::any_of(p.files.begin(), p.files.end(), [](const FileTraits* f) { return f->compilation; });
    if (!p.byAlbumArtist)
        p.artist = p.compilation ? "*" : artist;
    p.barcode = commonest(p.files, byBarcode);
    p.format = commonest(p.files, byFormat);
    p.year = std::atoi(commonest(p.files, byYear).c_str());
    p.exactFolder = p.files.front()->folder;
    p.inDiscFolder = discOfFolder(p.exactFolder) > 0;
    p.folder = p.inDiscFolder ? p.exactFolder.parent_path() : p.exactFolder;
    p.picture = 0;
    p.slots.clear();
    std::sort(p.files.begin(), p.files.end(), comesBefore);
    for (const FileTraits* f : p.files) {
        if (f->track > 0)
            p.slots.push_back(slotOf(*f));
        if (f->picture != 0)
            p.picture = f->picture;
    }
    std::sort(p.slots.begin(), p.slots.end());
    p.slots.erase(std::unique(p.slots.begin(), p.slots.end()), p.slots.end());
}

bool complete(const Slots& a, const Slots& b) {
    const Slots &few = a.size() < b.size() ? a : b, &many = a.size() < b.size() ? b : a;
    return !few.empty() && std::none_of(few.begin(), few.end(), [&](const Slot& s) {
        return std::binary_search(many.begin(), many.end(), s);
    });
}

Slots joined(const Slots& a, const Slots& b) {
    Slots out;
    std::set_union(a.begin(), a.end(), b.begin(), b.end(), std::back_inserter(out));
    return out;
}

FolderParts partsOfFolder(const std::vector<const FileTraits*>& files) {
    FolderParts out;
    Files named, nameless;
    for (const FileTraits* f : files)
        (f->album.empty() ? nameless : named).push_back(f);
    for (const Files& album : albumsOf(named))
        divideAlbum(album, out.parts);
    for (Part& p : out.parts)
        describe(p);
    // Files whose album is missing, into an album whose numbers they complete.
    Files rest;
    std::vector<Room> rooms;
    constexpr size_t most = 200; // in a heap of that many nothing can be told
    if (out.parts.size() < most)
        for (const Part& p : out.parts)
            rooms.emplace_back(p);
    std::vector<size_t> added(rooms.size());
    std::sort(nameless.begin(), nameless.end(), comesBefore);
    for (const FileTraits* f : nameless) {
        size_t found = 0, fitting = 0;
        for (size_t i = 0; i < rooms.size(); ++i)
            if (fits(*f, rooms[i], rooms.size() == 1)) {
                found = i;
                ++fitting;
            }
        if (fitting != 1) {
            rest.push_back(f);
            continue;
        }
        out.parts[found].files.push_back(f);
        if (f->track > 0)
            rooms[found].slots.insert(slotOf(*f));
        ++added[found];
    }
    for (size_t i = 0; i < added.size(); ++i)
        if (added[i] > 0)
            out.parts[i].reasons.push_back(
                counted(added[i], "file without an album belongs by its number or artist.",
                        "files without an album belong by their numbers or artist."));
    divideNameless(rest, out.parts.empty(), out);
    for (Part& p : out.parts)
        describe(p);
    std::sort(out.strays.begin(), out.strays.end(), comesBefore);
    return out;
}

} // namespace moorfrost::matching
