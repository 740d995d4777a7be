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

#include "core/matching/file_groups.h"
#include "core/text/similarity.h"
#include "core/text/text.h"

namespace moorfrost::matching {

namespace {

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
        for (const Divider& d : {Divider{byAlbumArtist, "album artist"}, Divider{byFormat, "format"},
                                 Divider{byYear, "date"}, Divider{byPicture, "picture"},
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
