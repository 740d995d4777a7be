// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/placing/goes_along.h"

#include <algorithm>
#include <set>
#include <unordered_set>

#include "core/naming/render.h"
#include "core/placing/namer.h"
#include "core/text/text.h"

namespace moorfrost::placing {

namespace fs = std::filesystem;

namespace {

Path commonOf(const Path& a, const Path& b) {
    Path out;
    for (auto i = a.begin(), j = b.begin(); i != a.end() && j != b.end() && *i == *j; ++i, ++j)
        out /= *i;
    return out;
}

bool isBelow(const Path& path, const Path& folder) {
    const std::string &p = path.native(), &f = folder.native();
    return p.size() > f.size() && p.starts_with(f) && (f.ends_with('/') || p[f.size()] == '/');
}

/// Where the music of one folder, and of those below it, goes.
struct Album {
    Path folder;                       // that all of it goes into
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
            if (const Placement& p = result.files[i]; p.moves()) {
                leaving_.insert(p.from.native());
                folders_[p.from.parent_path()].push_back(i);
            }
    }

    void plan() {
        // What is above them, below what was brought in: its other files go where all of it goes.
        std::vector<Path> leaves;
        for (const auto& [folder, members] : folders_)
            leaves.push_back(folder);
        for (const Path& leaf : leaves)
            for (const Path& root : options_.roots)
                if (isBelow(leaf, root))
                    for (Path above = leaf.parent_path(); isBelow(above, root); above = above.parent_path())
                        folders_[above];
        std::vector<Path> inner;
        for (const auto& [folder, members] : folders_)
            inner.push_back(folder);
        std::ranges::stable_sort(inner, std::ranges::greater(),
                                 [](const Path& folder) { return std::distance(folder.begin(), folder.end()); });
        for (const Path& folder : inner)
            if (folder != options_.shelf && !isBelow(options_.shelf, folder))
                look(folder);
    }

private:
    void look(const Path& folder) {
        std::vector<Path> others;
        bool musicStays = false, foldersStay = false;
        std::error_code error;
        fs::directory_iterator entries(folder, error);
        for (const fs::directory_iterator end; !error && entries != end; entries.increment(error)) {
            const Path& path = entries->path();
            std::error_code ignored;
            if (entries->is_directory(ignored)) // a link to one is never emptied
                foldersStay = foldersStay || !emptied_.contains(path.native());
            else if (leaving_.contains(path.native()))
                continue;
            else if (audio::formatByExtension(path) != audio::Format::Unknown)
                musicStays = true;
            else
                others.push_back(path);
        }
        const std::vector<size_t>& own = folders_[folder];
        std::vector<size_t> members = own;
        if (own.empty()) { // music is below it only
            if (foldersStay)
                return;
            for (auto below = folders_.upper_bound(folder);
                 below != folders_.end() && isBelow(below->first, folder); ++below)
                members.insert(members.end(), below->second.begin(), below->second.end());
        }
        if (error || musicStays || members.empty())
            return;
        std::ranges::sort(others);
        size_t staying = 0;
        const std::vector<Album> albums = albumsOf(members);
        for (const Path& other : others)
            staying += !takeAlong(folder, other, albums);
        if (options_.copy || !options_.removeEmptied || foldersStay || staying > 0)
            return;
        emptied_.insert(folder.native());
        result_.emptied.push_back(folder);
    }

    /// The biggest first.
    std::vector<Album> albumsOf(const std::vector<size_t>& members) const {
        std::map<std::string, std::map<Path, size_t>> targets; // by sleeve; strays by their folder
        std::map<std::string, size_t> first;
        std::set<std::string> split;
        for (const size_t i : members) {
            const Path to = result_.files[i].to.parent_path();
            const std::string& sleeve = files_[i].sleeve;
            const std::string key = sleeve.empty() ? "/" + to.native() : sleeve;
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
                common = commonOf(common, to);
                tracks += count;
            }
            // Discs have a folder of the album above them.
            if (places.size() > 1 && (split.contains(key) || !isBelow(common, options_.shelf)))
                common = std::ranges::max_element(places, {}, &std::pair<const Path, size_t>::second)->first;
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
    std::unordered_set<std::string> leaving_, emptied_;
    std::map<Path, std::vector<size_t>> folders_; // the music that leaves each
};

} // namespace

void planAlong(const std::vector<PutAwayFile>& files, const PutAwayOptions& options, PutAwayResult& result) {
    Along(files, options, result).plan();
}

void keepWhatIsNotEmptied(PutAwayResult& result) {
    std::set<Path> stays;
    for (const auto* all : {&result.files, &result.along})
        for (const Placement& p : *all)
            if (!p.moves() || p.replaces == p.from)
                stays.insert(p.from.parent_path());
    std::erase_if(result.emptied, [&](const Path& folder) {
        return std::ranges::any_of(stays, [&](const Path& s) { return s == folder || isBelow(s, folder); });
    });
}

} // namespace moorfrost::placing
