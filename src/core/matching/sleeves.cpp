// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/matching/sleeves.h"

#include <algorithm>
#include <cstdlib>
#include <map>
#include <set>

#include "core/text/text.h"

namespace moorfrost::matching {

namespace {

int number(const tags::Fields& fields, const char* key) {
    return std::atoi(tags::firstValue(fields, key).c_str());
}

bool isDiscFolder(const Path& folder) {
    std::string name = text::fold(folder.filename().native());
    for (const char* word : {"cd", "disc", "disk"})
        if (name.starts_with(word)) {
            std::string rest = text::trim(name.substr(std::string_view(word).size()));
            return text::isDigits(rest) && rest.size() <= 2;
        }
    return false;
}

/// The number at the start of a file name, -1 if there is none.
int leadingNumber(const Path& path) {
    std::string name = path.filename().native();
    size_t digits = std::min(name.find_first_not_of("0123456789"), name.size());
    return digits >= 1 && digits <= 3 ? std::atoi(name.substr(0, digits).c_str()) : -1;
}

bool numberedFolder(const std::vector<const SleeveInput*>& files) {
    if (files.size() < 3)
        return false;
    std::set<std::pair<Path, int>> numbers; // each disc folder counts from one
    for (const SleeveInput* f : files)
        if (int n = leadingNumber(f->path); n >= 0)
            numbers.emplace(f->path.parent_path(), n);
    return numbers.size() * 10 >= files.size() * 6;
}

} // namespace

Path releaseFolder(const Path& file) {
    Path folder = file.parent_path();
    if (isDiscFolder(folder))
        return folder.parent_path();
    return folder;
}

PlayKey playKey(const SleeveInput& file) {
    int track = number(file.fields, "track");
    return {number(file.fields, "disc"), track == 0 ? 100000 : track,
            text::sortKey(text::escapeBytes(file.path.native()))};
}

std::vector<Sleeve> formSleeves(const std::vector<SleeveInput>& files) {
    struct Group {
        std::vector<const SleeveInput*> files;
        std::string why;
    };
    std::map<std::string, Group> groups;
    std::map<Path, std::vector<const SleeveInput*>> withoutAlbum;
    for (const SleeveInput& f : files) {
        const std::string& album = tags::firstValue(f.fields, "album");
        if (album.empty()) {
            withoutAlbum[releaseFolder(f.path)].push_back(&f);
            continue;
        }
        Path folder = releaseFolder(f.path);
        const std::string& artist = tags::firstValue(f.fields, "album_artist");
        std::string key = "album\n" + folder.native() + "\n" + text::fold(album) + "\n" + text::fold(artist);
        Group& g = groups[text::escapeBytes(key)];
        g.files.push_back(&f);
        g.why = "The same folder and album" + std::string(artist.empty() ? "" : " and album artist") + ".";
    }
    std::vector<const SleeveInput*> strays;
    for (auto& [folder, members] : withoutAlbum) {
        if (!numberedFolder(members)) {
            strays.insert(strays.end(), members.begin(), members.end());
            continue;
        }
        Group& g = groups[text::escapeBytes("folder\n" + folder.native())];
        g.files = members;
        g.why = "One folder whose file names are numbered; the files name no album.";
    }
    std::vector<Sleeve> out;
    auto finish = [&](const std::string& key, std::vector<const SleeveInput*> members,
                      const std::string& why) {
        std::vector<std::pair<PlayKey, int64_t>> order;
        for (const SleeveInput* f : members)
            order.emplace_back(playKey(*f), f->id);
        std::sort(order.begin(), order.end());
        Sleeve sleeve{key, {}, why};
        for (const auto& [place, id] : order)
            sleeve.ids.push_back(id);
        out.push_back(std::move(sleeve));
    };
    for (auto& [key, group] : groups)
        finish(key, group.files, group.why);
    if (!strays.empty())
        finish({}, strays, "They name no album, and their folder does not make one of them.");
    return out;
}

} // namespace moorfrost::matching
