// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/naming/put_away.h"

#include <algorithm>
#include <set>
#include <system_error>

#include <unistd.h>

#include "core/naming/render.h"
#include "core/text/text.h"

namespace moorfrost::naming {

namespace fs = std::filesystem;

namespace {

std::string lowerEnding(const PutAwayFile& file) {
    std::string ending = text::lower(file.path.extension().native());
    const std::vector<std::string>& usual = audio::extensionsOf(file.format);
    if (usual.empty() || std::find(usual.begin(), usual.end(), ending) != usual.end())
        return ending;
    return usual.front();
}

std::string keyOf(const Path& path, files::NameProfile profile) {
    return files::nameKey(path.native(), profile);
}

/// For each sleeve, which keys have more than one value in it.
class Albums {
public:
    explicit Albums(const std::vector<PutAwayFile>& files) {
        for (const PutAwayFile& file : files)
            if (!file.sleeve.empty())
                for (const auto& [key, values] : file.fields)
                    values_[file.sleeve][key].insert(values.front());
    }
    bool several(const PutAwayFile& file, const std::string& key) const {
        if (key == "disc" && std::atoi(tags::firstValue(file.fields, "discs").c_str()) > 1)
            return true;
        return valuesOf(file.sleeve, key).size() > 1;
    }
    const std::set<std::string>& valuesOf(const std::string& sleeve, const std::string& key) const {
        static const std::set<std::string> none;
        auto s = values_.find(sleeve);
        if (s == values_.end())
            return none;
        auto k = s->second.find(key);
        return k == s->second.end() ? none : k->second;
    }

private:
    std::map<std::string, std::map<std::string, std::set<std::string>>> values_;
};

/// Keys that make folders.
std::vector<std::string> folderKeys(const Plan& plan) {
    Plan folders;
    size_t last = 0;
    for (size_t i = 0; i < plan.pieces.size(); ++i)
        if (plan.pieces[i].kind == Piece::Kind::Folder)
            last = i;
    folders.pieces.assign(plan.pieces.begin(), plan.pieces.begin() + static_cast<std::ptrdiff_t>(last));
    return folders.keys();
}

struct Named {
    std::vector<std::string> parts, missing;
    std::string why; // there is no name
};

Named nameOf(const PutAwayFile& file, const Plan& plan, files::NameProfile profile, const Albums& albums) {
    RenderInput input{file.fields, file.facts,
                      [&](const std::string& key) { return albums.several(file, key); }};
    Rendered rendered = render(plan, input);
    Named named;
    for (size_t i = 0; i < rendered.parts.size(); ++i) {
        bool isName = i + 1 == rendered.parts.size();
        if (text::trim(rendered.parts[i]).empty()) {
            named.why =
                (isName ? "no name: " : "no folder: ") + text::join(rendered.missing, ", ") + " is blank";
            return named;
        }
        named.parts.push_back(
            files::safeName(rendered.parts[i], profile, isName ? lowerEnding(file) : std::string()));
    }
    named.missing = std::move(rendered.missing);
    return named;
}

void place(const PutAwayFile& file, const PutAwayOptions& options, const Albums& albums, Placement& p) {
    p.id = file.id;
    p.from = file.path;
    p.copy = options.copy;
    Named named = nameOf(file, options.plan, options.profile, albums);
    p.parts = std::move(named.parts);
    if (!named.why.empty()) {
        p.marks.push_back({MarkKind::Blocked, named.why});
        return;
    }
    for (const std::string& label : named.missing)
        p.marks.push_back({MarkKind::Gap, "no " + text::lower(label)});
    p.to = options.shelf;
    for (const std::string& part : p.parts)
        p.to /= part;
    if (p.to == p.from)
        p.marks.push_back({MarkKind::InPlace, "is there already"});
}

void markClashes(std::vector<Placement*>& all, const PutAwayOptions& options) {
    std::map<std::string, std::vector<Placement*>> byTarget;
    std::set<std::string> leaving;
    for (Placement* p : all) {
        if (p->to.empty())
            continue;
        byTarget[keyOf(p->to, options.profile)].push_back(p);
        if (!options.copy && p->to != p->from)
            leaving.insert(p->from.native());
    }
    for (auto& [key, rivals] : byTarget) {
        for (Placement* p : rivals) {
            std::error_code error;
            if (rivals.size() > 1) {
                const Placement* other = rivals[0] == p ? rivals[1] : rivals[0];
                p->marks.push_back(
                    {MarkKind::Clash, "same name as " + text::forDisplay(other->from.filename().native())});
            } else if (p->to != p->from &&
                       fs::symlink_status(p->to, error).type() != fs::file_type::not_found &&
                       !leaving.contains(p->to.native())) {
                p->marks.push_back({MarkKind::Taken, "name is taken"});
            }
        }
    }
}

void markSplits(const std::vector<PutAwayFile>& files, const PutAwayOptions& options, const Albums& albums,
                PutAwayResult& result) {
    std::vector<std::string> keys = folderKeys(options.plan);
    std::erase_if(keys, [](const std::string& k) { return k == "disc" || k == "discs" || k == "track"; });
    std::map<std::string, std::map<std::string, std::vector<size_t>>> folders; // sleeve -> folder -> files
    for (size_t i = 0; i < files.size(); ++i)
        if (!files[i].sleeve.empty() && !result.files[i].to.empty())
            folders[files[i].sleeve][result.files[i].to.parent_path().native()].push_back(i);
    // Where the plan takes only the year, only the years can be what splits.
    std::set<std::string> byYear;
    for (const Piece& piece : options.plan.pieces)
        if (piece.has(Modifier::Kind::Year))
            for (const Source& source : piece.sources)
                byYear.insert(source.key);
    for (const auto& [sleeve, places] : folders) {
        if (places.size() < 2)
            continue;
        std::string reason;
        for (const std::string& key : keys) {
            std::set<std::string> values;
            for (const std::string& v : albums.valuesOf(sleeve, key))
                values.insert(byYear.contains(key) ? v.substr(0, 4) : v);
            // A field that only some files have splits as well.
            size_t having = 0, all = 0;
            for (const auto& [folder, members] : places)
                for (size_t i : members) {
                    ++all;
                    having += files[i].fields.contains(key) ? 1 : 0;
                }
            if (values.size() > 1) {
                std::vector<std::string> some(values.begin(), values.end());
                if (some.size() > 3)
                    some.resize(3);
                reason = text::lower(tags::labelOf(key)) + " " + text::join(some, " or ") + "?";
                break;
            }
            if (values.size() == 1 && having < all) {
                reason = text::lower(tags::labelOf(key)) + " is blank in some files";
                break;
            }
        }
        if (reason.empty())
            continue; // only discs have folders of their own: that is meant
        ++result.splitSleeves;
        auto biggest = std::max_element(places.begin(), places.end(), [](const auto& a, const auto& b) {
            return a.second.size() < b.second.size();
        });
        for (const auto& [folder, members] : places)
            if (folder != biggest->first)
                for (size_t i : members)
                    result.files[i].marks.push_back({MarkKind::Split, "splits an album: " + reason});
    }
}

/// The other files of the folders that the music leaves, and the folders that end up empty.
void planAlong(const PutAwayOptions& options, PutAwayResult& result) {
    std::map<Path, std::vector<const Placement*>> bySource;
    std::set<Path> leaving;
    for (const Placement& p : result.files)
        if (!p.to.empty() && p.to != p.from) {
            bySource[p.from.parent_path()].push_back(&p);
            if (!p.blocked())
                leaving.insert(p.from);
        }
    for (const auto& [folder, members] : bySource) {
        std::error_code error;
        std::vector<Path> others;
        bool allMusicLeaves = true, hasFolders = false;
        for (fs::directory_iterator it(folder, error), end; !error && it != end; it.increment(error)) {
            std::error_code ignored;
            if (it->is_directory(ignored))
                hasFolders = true;
            else if (leaving.contains(it->path()))
                continue;
            else if (audio::formatByExtension(it->path()) != audio::Format::Unknown)
                allMusicLeaves = false;
            else
                others.push_back(it->path());
        }
        if (!allMusicLeaves || folder == options.shelf)
            continue;
        std::sort(others.begin(), others.end());
        std::map<Path, size_t> targets;
        for (const Placement* p : members)
            ++targets[p->to.parent_path()];
        Path target = std::max_element(targets.begin(), targets.end(), [](const auto& a, const auto& b) {
                          return a.second < b.second;
                      })->first;
        size_t staying = options.goesAlong ? 0 : others.size();
        if (options.goesAlong && target != folder)
            for (const Path& other : others) {
                Placement p;
                p.from = other;
                p.copy = options.copy;
                std::string ending = other.extension().native();
                std::string name = files::safeName(other.stem().native(), options.profile, ending);
                p.to = target / name;
                for (const Path& part : p.to.lexically_relative(options.shelf))
                    p.parts.push_back(part.native());
                p.marks.push_back({MarkKind::GoesAlong, "goes along"});
                result.along.push_back(std::move(p));
            }
        if (!options.copy && options.removeEmptied && !hasFolders && staying == 0 && !error)
            result.emptied.push_back(folder);
    }
}

void collectNewFolders(const PutAwayOptions& options, PutAwayResult& result) {
    std::set<Path> fresh;
    auto consider = [&](const Placement& p) {
        if (!p.moves())
            return;
        for (Path folder = p.to.parent_path(); folder != options.shelf && folder.has_relative_path();
             folder = folder.parent_path()) {
            std::error_code error;
            if (fs::exists(folder, error) || !fresh.insert(folder).second)
                break;
        }
    };
    for (const Placement& p : result.files)
        consider(p);
    for (const Placement& p : result.along)
        consider(p);
    result.newFolders.assign(fresh.begin(), fresh.end());
}

std::string whyShelfUnusable(const Path& shelf) {
    std::error_code error;
    if (shelf.empty() || !shelf.is_absolute())
        return "Choose a shelf first.";
    if (!fs::exists(shelf, error))
        return "The shelf " + text::forDisplay(shelf.native()) + " is not there. Is its disk connected?";
    if (!fs::is_directory(shelf, error))
        return "The shelf " + text::forDisplay(shelf.native()) + " is a file, not a folder.";
    if (::access(shelf.c_str(), W_OK | X_OK) != 0)
        return "The shelf " + text::forDisplay(shelf.native()) + " is not writable for you.";
    return {};
}

} // namespace

std::map<std::string, std::string> factsOf(const Path& path, const tags::TagFile& file) {
    auto number = [](int n) { return n > 0 ? std::to_string(n) : std::string(); };
    return {{"format", audio::formatName(file.format)},
            {"codec", file.facts.codec},
            {"sample rate", number(file.facts.sampleRate)},
            {"bit depth", number(file.facts.bitDepth)},
            {"name", text::escapeBytes(path.stem().native())},
            {"folder", text::escapeBytes(path.parent_path().filename().native())}};
}

bool Placement::blocked() const {
    return std::any_of(marks.begin(), marks.end(), [](const Mark& m) {
        return m.kind == MarkKind::Clash || m.kind == MarkKind::Taken || m.kind == MarkKind::Blocked;
    });
}

const Mark* Placement::mark(MarkKind kind) const {
    auto it = std::find_if(marks.begin(), marks.end(), [&](const Mark& m) { return m.kind == kind; });
    return it == marks.end() ? nullptr : &*it;
}

std::vector<std::vector<std::string>> namesByPlan(const std::vector<PutAwayFile>& files, const Plan& plan,
                                                  files::NameProfile profile) {
    const Albums albums(files);
    std::vector<std::vector<std::string>> out;
    for (const PutAwayFile& file : files) {
        Named named = nameOf(file, plan, profile, albums);
        out.push_back(named.why.empty() ? std::move(named.parts) : std::vector<std::string>());
    }
    return out;
}

PutAwayResult planPutAway(const std::vector<PutAwayFile>& files, const PutAwayOptions& options,
                          std::stop_token stop) {
    PutAwayResult result;
    result.shelfProblem = whyShelfUnusable(options.shelf);
    Albums albums(files);
    result.files.resize(files.size());
    for (size_t i = 0; i < files.size() && !stop.stop_requested(); ++i)
        place(files[i], options, albums, result.files[i]);
    std::vector<Placement*> all;
    for (Placement& p : result.files)
        all.push_back(&p);
    markClashes(all, options);
    markSplits(files, options, albums, result);
    planAlong(options, result);
    all.clear();
    for (Placement& p : result.along)
        all.push_back(&p);
    markClashes(all, options);
    // A folder is not emptied by what cannot leave it.
    std::erase_if(result.emptied, [&](const Path& folder) {
        return std::any_of(result.along.begin(), result.along.end(),
                           [&](const Placement& p) { return p.blocked() && p.from.parent_path() == folder; });
    });
    collectNewFolders(options, result);
    for (const Placement& p : result.files) {
        result.moving += p.moves() ? 1 : 0;
        result.problems += p.blocked() ? 1 : 0;
    }
    return result;
}

} // namespace moorfrost::naming
