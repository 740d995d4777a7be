// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/placing/put_away.h"

#include <algorithm>
#include <climits>
#include <system_error>
#include <unordered_map>
#include <unordered_set>

#include <fmt/format.h>
#include <unistd.h>

#include "core/files/disk.h"
#include "core/files/file_system.h"
#include "core/placing/clashes.h"
#include "core/placing/goes_along.h"
#include "core/placing/splits.h"
#include "core/text/text.h"
#include "core/work/parallel.h"

namespace moorfrost::placing {

namespace fs = std::filesystem;

namespace {

constexpr size_t portion = 256; // files

std::string shown(const Path& path) {
    return text::forDisplay(path.native());
}

std::string whyShelfUnusable(const PutAwayOptions& options) {
    std::error_code error;
    const Path& shelf = options.shelf;
    if (options.inPlace && shelf.empty())
        return {}; // no files
    if (!options.notThere.empty())
        return options.notThere;
    if (shelf.empty() || !shelf.is_absolute())
        return "Choose a shelf first.";
    if (!fs::exists(shelf, error))
        return "The shelf " + shown(shelf) + " is not there. Is its disk connected?";
    if (!fs::is_directory(shelf, error))
        return "The shelf " + shown(shelf) + " is a file, not a folder.";
    if (files::fileSystemOf(shelf).readOnly)
        return "The disk of the shelf " + shown(shelf) + " is mounted read-only.";
    if (!options.inPlace && ::access(shelf.c_str(), W_OK | X_OK) != 0)
        return "The shelf " + shown(shelf) + " is not writable for you.";
    return {};
}

/// The folder that all of them are in.
Path commonFolder(const std::vector<PutAwayFile>& files) {
    Path out;
    for (const PutAwayFile& file : files) {
        const Path folder = file.path.parent_path();
        if (out.empty() || folder == out) {
            out = folder;
            continue;
        }
        Path common;
        for (auto a = out.begin(), b = folder.begin(); a != out.end() && b != folder.end() && *a == *b;
             ++a, ++b)
            common /= *a;
        out = common;
    }
    return out;
}

/// As they are meant: a plan without its folders, where files stay in theirs.
PutAwayOptions meant(PutAwayOptions options, const std::vector<PutAwayFile>& files) {
    if (options.inPlace)
        options.shelf = commonFolder(files);
    if (!options.anyProfile) // the later ones are stricter
        options.profile = std::max(options.profile, files::fileSystemOf(options.shelf).holds);
    if (!options.inPlace)
        return options;
    options.copy = false;
    auto& pieces = options.plan.pieces;
    for (size_t i = pieces.size(); i-- > 0;)
        if (pieces[i].kind == naming::Piece::Kind::Folder) {
            pieces.erase(pieces.begin(), pieces.begin() + static_cast<std::ptrdiff_t>(i) + 1);
            break;
        }
    return options;
}

class PutAway {
public:
    PutAway(const std::vector<PutAwayFile>& files, const PutAwayOptions& options)
        : files_(files), options_(meant(options, files)), namer_(files, options_.plan, options_.profile),
          disk_(options_.profile, options_.shelf), system_(files::fileSystemOf(options_.shelf)) {}

    PutAwayResult run(std::stop_token stop) {
        result_.root = options_.shelf;
        result_.shelfProblem = whyShelfUnusable(options_);
        result_.files.resize(files_.size());
        // Names are worked out on all processors, some hundred files at a time; the disk is looked at by one.
        const size_t portions = (files_.size() + portion - 1) / portion;
        work::inParallel(portions, [&](size_t k) {
            for (size_t i = k * portion; i < std::min(files_.size(), (k + 1) * portion); ++i)
                if (!stop.stop_requested())
                    place(files_[i], result_.files[i]);
        });
        if (stop.stop_requested())
            return std::move(result_);
        for (Placement& p : result_.files)
            if (!p.to.empty() && !isSame(p.to, p.from))
                mayGo(p);
        Clashes clashes(options_.profile, disk_, options_.qualityThere);
        std::vector<Clashes::Claim> claims;
        for (size_t i = 0; i < files_.size(); ++i)
            claims.push_back({&result_.files[i], files_[i].quality, files_[i].onClash});
        clashes.settle(std::move(claims));
        if (!options_.inPlace) {
            markSplits(files_, options_.plan, namer_, result_);
            planAlong(files_, options_, result_);
        }
        claims.clear();
        for (Placement& p : result_.along)
            claims.push_back({&p, {}, OnClash::Suffix});
        clashes.settle(std::move(claims));
        keepWhatIsNotEmptied(result_);
        collectNewFolders();
        count();
        return std::move(result_);
    }

private:
    void place(const PutAwayFile& file, Placement& p) {
        p.id = file.id;
        p.from = file.path;
        p.copy = options_.copy;
        Namer::Named named = namer_.nameOf(file);
        p.parts = std::move(named.parts);
        p.marks = std::move(named.marks);
        if (p.parts.empty())
            return;
        if (options_.inPlace) {
            p.to = file.path.parent_path() / p.parts.back();
            p.parts.clear();
            for (const Path& part : p.to.lexically_relative(options_.shelf))
                p.parts.push_back(part.native());
        } else {
            std::string to = options_.shelf.native();
            for (const std::string& part : p.parts)
                to.append("/").append(part);
            p.to = std::move(to);
        }
        if (isSame(p.to, p.from))
            p.marks.push_back({MarkKind::InPlace, "is there already"});
    }

    /// Whether the disks allow it.
    void mayGo(Placement& p) {
        if (p.to.native().size() >= PATH_MAX) {
            p.marks.push_back({MarkKind::Blocked, "the path is too long"});
            return;
        }
        if (!p.copy && !isWritable(folderOf(p.from))) {
            p.marks.push_back({MarkKind::Blocked, "its folder is read-only"});
            return;
        }
        if (const Path& there = nearest(folderOf(p.to));
            !isSame(there, options_.shelf) && !isWritable(there.native())) {
            p.marks.push_back(
                {MarkKind::Blocked,
                 "the folder " + text::forDisplay(there.filename().native()) + " is read-only"});
            return;
        }
        if (system_.holds == files::NameProfile::Linux || options_.profile != files::NameProfile::Linux)
            return;
        for (const std::string& part : p.parts)
            if (const std::string safe = files::safeName(part, system_.holds); safe != part) {
                p.marks.push_back(
                    {MarkKind::Blocked, fmt::format("not portable: a {} disk cannot have \"{}\"",
                                                    system_.name, text::forDisplay(part))});
                return;
            }
    }

    bool isWritable(std::string_view folder) {
        return writable_.get(folder, [](std::string_view one) { // of what is not there, others tell
            const std::string path(one);
            return ::access(path.c_str(), F_OK) != 0 || ::access(path.c_str(), W_OK | X_OK) == 0;
        });
    }

    /// The folder, or the nearest one above that is there.
    const Path& nearest(std::string_view folder) {
        return nearest_.get(folder, [this](std::string_view one) {
            if (isBelow(one, options_.shelf.native())) // below one that is not there, nothing is
                if (const Path& over = nearest(above(one)); over.native() != above(one))
                    return Path(over);
            return files::nearestFolder(Path(one));
        });
    }

    void collectNewFolders() {
        std::unordered_map<std::string, std::string> spelled; // folders of the future, by key
        ByFolder<std::vector<std::string>> cased;             // what is told of those in them
        std::unordered_set<std::string> fresh;
        for (auto* all : {&result_.files, &result_.along})
            for (Placement& p : *all)
                if (goes(p))
                    for (const std::string& other : cased.get(folderOf(p.to), [&](std::string_view in) {
                             return freshIn(in, fresh, spelled);
                         }))
                        p.marks.push_back({MarkKind::Cased, "folder also as " + other});
        result_.newFolders.assign(fresh.begin(), fresh.end());
        std::ranges::sort(result_.newFolders);
    }

    /// Notes the folder, and those above it that are not there either; the other spellings that there are.
    std::vector<std::string> freshIn(std::string_view in, std::unordered_set<std::string>& fresh,
                                     std::unordered_map<std::string, std::string>& spelled) {
        std::vector<std::string> out;
        for (Path folder(in); folder.native().size() > options_.shelf.native().size();
             folder = folder.parent_path()) {
            if (isSame(nearest(folder.native()), folder))
                break;
            fresh.insert(folder.native());
            if (std::string other = otherCase(folder, spelled); !other.empty())
                out.push_back(std::move(other));
        }
        return out;
    }

    /// A folder of the same name but for the case of letters; "": there is none.
    std::string otherCase(const Path& folder, std::unordered_map<std::string, std::string>& spelled) {
        const std::string key = files::nameKey(folder.native(), options_.profile);
        const auto [it, isNew] = spelled.try_emplace(key, folder.native());
        if (isNew)
            if (const auto there = disk_.find(folder); there && disk_.isFolder(*there))
                it->second = there->native();
        return it->second == folder.native() ? std::string()
                                             : text::forDisplay(Path(it->second).filename().native());
    }

    void count() {
        const uint64_t disk = options_.shelf.empty() ? 0 : files::deviceOf(nearest(options_.shelf.native()));
        ByFolder<bool> elsewhere; // on another disk
        for (size_t i = 0; i < files_.size(); ++i) {
            const Placement& p = result_.files[i];
            result_.moving += goes(p);
            result_.problems += p.blocked();
            if (!goes(p))
                continue;
            if (p.copy || elsewhere.get(folderOf(p.from), [&](std::string_view folder) {
                    return files::deviceOf(nearest(folder)) != disk;
                }))
                result_.needed += files_[i].size;
        }
        if (result_.shelfProblem.empty() && result_.needed > system_.free)
            result_.shelfProblem = fmt::format(
                "There is not enough room on the disk of the shelf: {:.1f} MB are needed, {:.1f} MB "
                "are free.",
                static_cast<double>(result_.needed) / 1e6, static_cast<double>(system_.free) / 1e6);
    }

    const std::vector<PutAwayFile>& files_;
    const PutAwayOptions options_;
    Namer namer_;
    FoldersOnDisk disk_;
    files::FileSystem system_;
    PutAwayResult result_;
    ByFolder<bool> writable_;
    ByFolder<Path> nearest_;
};

} // namespace

std::vector<std::vector<std::string>> namesByPlan(const std::vector<PutAwayFile>& files,
                                                  const naming::Plan& plan, files::NameProfile profile) {
    const Namer namer(files, plan, profile);
    std::vector<std::vector<std::string>> out;
    out.reserve(files.size());
    for (const PutAwayFile& file : files)
        out.push_back(namer.nameOf(file).parts);
    return out;
}

PutAwayResult planPutAway(const std::vector<PutAwayFile>& files, const PutAwayOptions& options,
                          std::stop_token stop) {
    return PutAway(files, options).run(std::move(stop));
}

} // namespace moorfrost::placing
