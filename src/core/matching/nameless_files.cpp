// SPDX-License-Identifier: GPL-3.0-or-later
// The files of a folder that name no album.
#include <algorithm>
#include <array>
#include <set>

#include "core/matching/file_groups.h"
#include "core/text/text.h"

namespace moorfrost::matching {

namespace {

std::vector<const FileTraits*> byTime(std::vector<const FileTraits*> files) {
    std::sort(files.begin(), files.end(), [](const FileTraits* a, const FileTraits* b) {
        return std::tie(a->modified, a->id) < std::tie(b->modified, b->id);
    });
    return files;
}

/// Whether a file was finished about its own length after another: they were recorded one after the other,
/// with some time between them.
bool followsInTime(const FileTraits& before, const FileTraits& f) {
    const auto between = static_cast<double>(f.modified - before.modified);
    const bool others = !before.artist.empty() && !f.artist.empty() && before.artist != f.artist;
    return !others && before.modified > 0 && f.seconds >= 20 && between >= f.seconds * 0.95 - 3 &&
           between <= f.seconds * 1.1 + 90;
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

const KeyOf byAnyArtist = [](const FileTraits& f) { return f.artist.empty() ? f.name.artist : f.artist; };

/// Offers what holds one picture and is of one artist, and gives back the others. (A picture that files of
/// several artists hold may be that of a station or a shop.)
Files withoutSamePicture(const Files& files, FolderParts& out) {
    Files rest;
    for (auto& [picture, group] : groupedBy(files, byPicture)) {
        const bool one = group.size() > 1 && different(group, byAnyArtist) == 1 && doubles(group) == 0;
        if (picture.empty() || !one)
            rest.insert(rest.end(), group.begin(), group.end());
        else
            out.parts.push_back(partOf(
                std::move(group), "They hold the same picture and are of one artist; they name no album."));
    }
    return rest;
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

} // namespace

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
            for (const KeyOf& key : {byPicture, byArtist, byFormat, bySession(group)})
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
    rest = withoutRecordedTogether(withoutSamePicture(rest, out), out);
    const bool one =
        rest.size() >= 3 && different(rest, byAnyArtist) == 1 && groupedBy(rest, byAnyArtist).size() == 1;
    if (onlyThese && out.parts.empty() && one && !saysNothing(rest.front()->folder) && doubles(rest) == 0) {
        offer(rest, "They are all that is in their folder, and of one artist; they name no album.");
        return;
    }
    out.strays.insert(out.strays.end(), rest.begin(), rest.end());
}

} // namespace moorfrost::matching
