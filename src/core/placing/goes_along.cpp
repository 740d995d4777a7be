// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/placing/goes_along.h"

#include <algorithm>
#include <set>
#include <unordered_set>

#include "core/files/file_system.h"
#include "core/naming/render.h"
#include "core/placing/folders.h"
#include "core/placing/namer.h"
#include "core/text/text.h"
#include "core/work/parallel.h"

namespace moorfrost::placing {

namespace fs = std::filesystem;

namespace {

Path commonOf(const Path& a, const Path& b) {
    Path out;
    for (auto i = a.begin(), j = b.begin(); i != a.end() && j != b.end() && *i == *j; ++i, ++j)
        out /= *i;
    return out;
}

/// Where the music of one folder, and of those below it, goes.
struct Album {
    Path folder; // that all of it goes into
    size_t tracks = 0;
    const PutAwayFile* first = nullptr;
};

class Along {
public:
    Along(const std::vector<PutAwayFile>& files, const PutAwayOptions& options, PutAwayResult& result)
        : files_(files), options_(options), result_(result) {
        if (!options.along.name.empty())
            if (auto plan = naming::parsePlan(options.along.name, options.customFields);
                std::holds_alternative<naming::Plan>(plan))
                names_ = std::get<naming::Plan>(std::move(plan));
        for (size_t i = 0; i < files.size(); ++i)
            if (const Placement& p = result.files[i]; goes(p))
                musicOf(folderOf(p.from)).push_back(i);
    }

    void plan() {
        // What is above them, below what was brought in: its other files go where all of it goes.
        std::vector<std::string> leaves;
        for (const auto& [folder, members] : folders_)
            leaves.push_back(folder);
        for (const std::string& leaf : leaves)
            for (const Path& root : options_.roots)
                if (isBelow(leaf, root.native()))
                    for (std::string_view above = std::string_view(leaf).substr(0, leaf.rfind('/'));
                         isBelow(above, root.native()); above = above.substr(0, above.rfind('/')))
                        if (!folders_.contains(above))
                            folders_.emplace(std::string(above), std::vector<size_t>());
        std::vector<std::pair<std::ptrdiff_t, std::string>> deepestFirst;
        for (const auto& [folder, members] : folders_)
            if (folder != options_.shelf.native() && !isBelow(options_.shelf.native(), folder))
                deepestFirst.emplace_back(-std::ranges::count(folder, '/'), folder);
        std::ranges::sort(deepestFirst);
        std::vector<Held> held(deepestFirst.size()); // folders are read on all processors
        work::inParallel(held.size(), [&](size_t i) { held[i] = read(deepestFirst[i].second); });
        for (size_t i = 0; i < held.size(); ++i)
            look(deepestFirst[i].second, held[i]);
    }

private:
    /// What a folder holds beside the music that leaves it.
    struct Held {
        std::vector<Path> folders, others;
        bool music = false;
        std::error_code error;
    };

    std::vector<size_t>& musicOf(std::string_view folder) {
        const auto at = folders_.find(folder);
        return at != folders_.end() ? at->second : folders_[std::string(folder)];
    }

    Held read(const Path& folder) const {
        Held out;
        std::unordered_set<std::string_view> leaving; // names
        for (const size_t i : folders_.find(folder.native())->second)
            leaving.insert(nameIn(result_.files[i].from));
        files::eachEntry(
            folder,
            [&](const std::string& name) {
                if (leaving.contains(name))
                    return;
                Path path = folder / name;
                std::error_code ignored;
                if (fs::is_directory(path, ignored)) // a link to one is never emptied
                    out.folders.push_back(std::move(path));
                else if (audio::formatByExtension(path) != audio::Format::Unknown)
                    out.music = true;
                else
                    out.others.push_back(std::move(path));
            },
            out.error);
        std::ranges::sort(out.others);
        return out;
    }

    void look(const Path& folder, const Held& held) {
        const std::vector<size_t>& own = folders_.find(folder.native())->second;
        const bool foldersStay = std::ranges::any_of(
            held.folders, [this](const Path& one) { return !emptied_.contains(one.native()); });
        std::vector<size_t> members = own;
        if (own.empty()) { // music is below it only
            if (foldersStay)
                return;
            const std::string all = folder.native() + "/";
            for (auto below = folders_.lower_bound(all);
                 below != folders_.end() && below->first.starts_with(all); ++below)
                members.insert(members.end(), below->second.begin(), below->second.end());
        }
        if (held.error || held.music || members.empty())
            return;
        size_t staying = 0;
        std::vector<Album> albums = albumsOf(members);
        if (own.empty() && albums.size() > 1)
            albums = together(albums);
        for (const Path& other : held.others)
            staying += !takeAlong(folder, other, albums);
        if (options_.copy || !options_.removeEmptied || foldersStay || staying > 0)
            return;
        emptied_.insert(folder.native());
        result_.emptied.push_back(folder);
    }

    /// Of what lies above several albums, the folder that all of them go into; none, where that is the shelf.
    std::vector<Album> together(const std::vector<Album>& albums) const {
        Album all = albums.front();
        for (const Album& album : albums)
            all.folder = commonOf(all.folder, album.folder);
        return isBelow(all.folder.native(), options_.shelf.native()) ? std::vector<Album>{all}
                                                                     : std::vector<Album>();
    }

    /// The biggest first.
    std::vector<Album> albumsOf(const std::vector<size_t>& members) const {
        const PutAwayFile& one = files_[members.front()];
        const std::string_view there = folderOf(result_.files[members.front()].to);
        if (std::ranges::all_of(members, [&](size_t i) {
                return files_[i].sleeve == one.sleeve && folderOf(result_.files[i].to) == there;
            }))
            return {{Path(there), members.size(), &one}};
        std::map<std::string, std::map<std::string, size_t, std::less<>>>
            targets; // by sleeve; strays by folder
        std::map<std::string, size_t> first;
        std::set<std::string> split;
        for (const size_t i : members) {
            const std::string to(folderOf(result_.files[i].to));
            const std::string& sleeve = files_[i].sleeve;
            const std::string key = sleeve.empty() ? "/" + to : sleeve;
            ++targets[key][to];
            first.try_emplace(key, i);
            if (result_.files[i].mark(MarkKind::Split))
                split.insert(key);
        }
        std::map<Path, Album> byFolder;
        for (const auto& [key, places] : targets) {
            Path common = places.begin()->first;
            size_t tracks = 0;
            for (const auto& [to, count] : places) {
                common = places.size() == 1 ? common : commonOf(common, to);
                tracks += count;
            }
            // Discs have a folder of the album above them.
            if (places.size() > 1 &&
                (split.contains(key) || !isBelow(common.native(), options_.shelf.native())))
                common =
                    std::ranges::max_element(places, {}, [](const auto& one) { return one.second; })->first;
            Album& album = byFolder[common];
            album.folder = common;
            album.tracks += tracks;
            if (!album.first)
                album.first = &files_[first.at(key)];
        }
        std::vector<Album> out;
        for (auto& [folder, album] : byFolder)
            out.push_back(std::move(album));
        std::ranges::stable_sort(out, std::ranges::greater(), &Album::tracks);
        return out;
    }

    std::string nameOf(const Path& other, const Album& album) const {
        const std::string ending = other.extension().native();
        std::string name = other.stem().native();
        if (names_) {
            std::map<std::string, std::string> facts = album.first->facts;
            facts["name"] = text::escapeBytes(name);
            const naming::Rendered rendered = naming::render(*names_, {album.first->fields, facts, {}});
            if (!rendered.parts.empty() && !text::trim(rendered.parts.back()).empty())
                name = rendered.parts.back();
        }
        return files::safeName(name, options_.profile, ending);
    }

    /// Whether the folder has it no more.
    bool takeAlong(const Path& folder, const Path& other, const std::vector<Album>& albums) {
        if (!options_.along.takes(alongKindOf(other)) || albums.empty())
            return false;
        bool leaves = false;
        for (const Album& album : albums) {
            if (album.folder == folder)
                continue; // that one has it
            Placement p;
            p.from = other;
            p.to = album.folder / nameOf(other, album);
            // The biggest album gets it, the others a copy.
            p.copy = options_.copy || &album != &albums.front();
            leaves = leaves || !p.copy;
            for (const Path& part : p.to.lexically_relative(options_.shelf))
                p.parts.push_back(part.native());
            p.marks.push_back({MarkKind::GoesAlong, albums.size() == 1 ? "goes along"
                                                    : p.copy           ? "goes along, a copy"
                                                                       : "goes along"});
            result_.along.push_back(std::move(p));
        }
        return leaves;
    }

    const std::vector<PutAwayFile>& files_;
    const PutAwayOptions& options_;
    PutAwayResult& result_;
    std::optional<naming::Plan> names_;
    std::unordered_set<std::string> emptied_;
    std::map<std::string, std::vector<size_t>, std::less<>> folders_; // the music that leaves each
};

} // namespace

void planAlong(const std::vector<PutAwayFile>& files, const PutAwayOptions& options, PutAwayResult& result) {
    Along(files, options, result).plan();
}

void keepWhatIsNotEmptied(PutAwayResult& result) {
    std::set<std::string, std::less<>> stays; // folders in which something does
    for (const auto* all : {&result.files, &result.along})
        for (const Placement& p : *all)
            if (!goes(p) && !stays.contains(folderOf(p.from)))
                stays.emplace(folderOf(p.from));
    std::erase_if(result.emptied, [&](const Path& folder) {
        const std::string below = folder.native() + "/";
        const auto at = stays.lower_bound(below);
        return stays.contains(folder.native()) || (at != stays.end() && at->starts_with(below));
    });
}

} // namespace moorfrost::placing
