// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/placing/clashes.h"

#include <algorithm>
#include <map>
#include <utility>

#include <fmt/format.h>

#include "core/text/text.h"
#include "core/work/parallel.h"

namespace moorfrost::placing {

namespace fs = std::filesystem;

namespace {

constexpr size_t longestName = 255; // bytes
constexpr size_t portion = 256;     // claims

std::string shownName(const Path& path) {
    return text::forDisplay(path.filename().native());
}

void leaveOut(Placement& p, const Path& because, const std::string& why) {
    p.marks.push_back({MarkKind::LeftOut, why + shownName(because), "", because});
}

void clash(Placement& p, const Placement& other) {
    const bool byCase = p.to.native() != other.to.native();
    p.marks.push_back(
        {MarkKind::Clash,
         (byCase ? "same name but for the case of letters: " : "same name as ") + shownName(other.from), "",
         other.from});
}

void replace(Placement& p, const Path& there) {
    p.replaces = there;
    p.marks.push_back({MarkKind::Replaces, "replaces what is there", "", there});
}

} // namespace

const FoldersOnDisk::Folder& FoldersOnDisk::folder(std::string_view path) {
    return folders_.get(path, [this](std::string_view folder) {
        Folder out;
        if (isBelow(folder, root_.native()) && !this->folder(above(folder)).mayHave(folder, profile_))
            return out;
        std::error_code error;
        fs::directory_iterator entries(Path(folder), error);
        out.isThere = !error;
        for (const fs::directory_iterator end; !error && entries != end; entries.increment(error)) {
            std::string name(nameIn(entries->path()));
            std::string key = files::nameKey(name, profile_);
            if (audio::formatByExtension(entries->path()) != audio::Format::Unknown)
                out.sounds.emplace(files::nameKey(entries->path().stem().native(), profile_), name);
            out.names.emplace(std::move(key), std::move(name));
        }
        return out;
    });
}

std::optional<Path> FoldersOnDisk::find(const Path& path) {
    const Folder& in = folder(folderOf(path));
    if (in.names.empty())
        return std::nullopt;
    const auto at = in.names.find(files::nameKey(nameIn(path), profile_));
    if (at == in.names.end())
        return std::nullopt;
    std::error_code error; // of several that count as the same, the very one
    if (at->second != nameIn(path) && fs::symlink_status(path, error).type() != fs::file_type::not_found)
        return path;
    return path.parent_path() / at->second;
}

std::vector<Path> FoldersOnDisk::besides(const Path& path) {
    std::vector<Path> out;
    const Folder& in = folder(folderOf(path));
    if (in.sounds.empty())
        return out;
    const auto [from, to] = in.sounds.equal_range(files::nameKey(path.stem().native(), profile_));
    for (auto at = from; at != to; ++at)
        if (at->second != path.filename().native())
            out.push_back(path.parent_path() / at->second);
    return out;
}

bool FoldersOnDisk::isFolder(const Path& path) {
    return folder(path.native()).isThere;
}

/// The folder is folded once for all that is in it: a "/" keeps its two sides apart.
std::string Clashes::keyOf(const Path& path, ByFolder<std::string>& folders) const {
    std::string out = folders.get(
        folderOf(path), [this](std::string_view folder) { return files::nameKey(folder, profile_) + "/"; });
    return out += files::nameKey(nameIn(path), profile_);
}

void Clashes::makeKeys(std::vector<Claim>& claims) const {
    const size_t portions = (claims.size() + portion - 1) / portion;
    work::inParallel(portions, [&](size_t k) {
        ByFolder<std::string> folders;
        for (size_t i = k * portion; i < std::min(claims.size(), (k + 1) * portion); ++i)
            if (const Placement& p = *claims[i].placement; !p.to.empty() && !p.blocked() && !p.leftOut())
                claims[i].key = keyOf(p.to, folders);
    });
}

void Clashes::settle(std::vector<Claim> claims) {
    makeKeys(claims);
    std::unordered_map<std::string_view, Claim*> first; // by key: views of the keys of claims
    first.reserve(claims.size());
    byFrom_.reserve(byFrom_.size() + claims.size());
    std::map<size_t, std::vector<Claim*>> rivals; // of one name, by the place of the first
    toSuffix_.clear();
    for (Claim& claim : claims) {
        byFrom_[claim.placement->from.native()] = claim.placement;
        if (claim.key.empty())
            continue;
        if (used_.contains(claim.key)) { // by what was placed before
            toSuffix_.push_back(&claim);
            continue;
        }
        const auto [it, isNew] = first.try_emplace(claim.key, &claim);
        if (isNew)
            continue;
        std::vector<Claim*>& all = rivals[static_cast<size_t>(it->second - claims.data())];
        if (all.empty())
            all.push_back(it->second);
        all.push_back(&claim);
    }
    for (const auto& [place, all] : rivals)
        settleRivals(all);
    settleTaken(claims);
    const std::unordered_set<const Claim*> suffixed(toSuffix_.begin(), toSuffix_.end());
    for (Claim& claim : claims)
        if (!claim.key.empty() && !claim.placement->leftOut() && !suffixed.contains(&claim))
            used_.insert(std::move(claim.key));
    for (Claim* claim : toSuffix_)
        suffix(*claim);
}

void Clashes::settleRivals(const std::vector<Claim*>& rivals) {
    const auto inPlace = std::ranges::find_if(
        rivals, [](const Claim* c) { return isSame(c->placement->to, c->placement->from); });
    if (inPlace != rivals.end()) { // it has the name, whoever comes
        bool replaced = false;
        for (Claim* claim : rivals)
            if (claim != *inPlace)
                challenge(*claim, *(*inPlace)->placement, (*inPlace)->quality, replaced);
        return;
    }
    std::vector<Claim*> plain, others;
    for (Claim* claim : rivals)
        (claim->choice == OnClash::Suffix || claim->choice == OnClash::Skip ? others : plain)
            .push_back(claim);
    if (plain.empty()) { // somebody gets it
        auto first = std::ranges::find(others, OnClash::Suffix, &Claim::choice);
        if (first == others.end())
            first = others.begin();
        plain.push_back(*first);
        others.erase(first);
    }
    const Claim* best = *std::ranges::max_element(plain, {}, &Claim::quality);
    for (Claim* claim : plain)
        if (claim != best && claim->choice == OnClash::KeepBetter)
            leaveOut(*claim->placement, best->placement->from, "no better than ");
    std::erase_if(plain, [](const Claim* claim) { return claim->placement->leftOut(); });
    if (plain.size() > 1)
        for (Claim* claim : plain)
            clash(*claim->placement, *(claim == plain[0] ? plain[1] : plain[0])->placement);
    for (Claim* claim : others) {
        if (claim->choice == OnClash::Suffix)
            toSuffix_.push_back(claim);
        else
            leaveOut(*claim->placement, plain[0]->placement->from, "left out, same name as ");
    }
}

void Clashes::challenge(Claim& claim, const Placement& inPlace, const Quality& quality, bool& replaced) {
    Placement& p = *claim.placement;
    if (claim.choice == OnClash::Suffix)
        return toSuffix_.push_back(&claim);
    if (claim.choice == OnClash::Skip)
        return leaveOut(p, inPlace.from, "left out, same name as ");
    if (claim.choice == OnClash::KeepBetter && claim.quality <= quality)
        return leaveOut(p, inPlace.from, "no better than ");
    if (claim.choice == OnClash::Ask || std::exchange(replaced, true))
        return clash(p, inPlace);
    replace(p, inPlace.from);
}

bool Clashes::leaves(const Path& path) const {
    const auto at = byFrom_.find(path.native());
    return at != byFrom_.end() && !at->second->copy && goes(*at->second);
}

std::optional<Path> Clashes::occupant(const Claim& claim) {
    const Placement& p = *claim.placement;
    if (!goes(p) || !p.replaces.empty())
        return std::nullopt;
    auto there = disk_.find(p.to);
    // Only the case of its letters changes, or the way in which accents are kept.
    if (there && isSame(*there, p.from) && !p.copy)
        return std::nullopt;
    return there;
}

void Clashes::settleTaken(std::vector<Claim>& claims) {
    const std::unordered_set<const Claim*> suffixed(toSuffix_.begin(), toSuffix_.end());
    std::vector<std::pair<Claim*, Path>> wanted;
    for (Claim& claim : claims)
        if (!suffixed.contains(&claim))
            if (auto there = occupant(claim))
                wanted.emplace_back(&claim, *std::move(there));
    // What does not get its own place does not leave the one that it has: until nothing is otherwise.
    std::unordered_set<const Claim*> leftOut;
    for (const Claim& claim : claims)
        if (claim.placement->leftOut())
            leftOut.insert(&claim);
    for (bool again = true; again;) {
        again = false;
        for (auto& [claim, there] : wanted) {
            if (there.empty() || leaves(there))
                continue;
            takeTaken(*claim, there);
            there.clear();
            again = true;
        }
        if (!again)
            for (Claim& claim : claims) {
                settleBeside(claim);
                again = again || (claim.placement->leftOut() && leftOut.insert(&claim).second);
            }
    }
}

bool Clashes::isBetter(Claim& claim, const Path& there) {
    const auto quality = qualityThere_ ? qualityThere_(there) : std::nullopt;
    if (quality && claim.quality > *quality)
        return true;
    leaveOut(*claim.placement, there, quality ? "no better than " : "no comparing with ");
    return false;
}

void Clashes::settleBeside(Claim& claim) {
    Placement& p = *claim.placement;
    if (p.id == 0 || !goes(p) || !p.replaces.empty() || p.mark(MarkKind::Beside))
        return;
    for (const Path& there : disk_.besides(p.to)) {
        if (there == p.from || leaves(there))
            continue;
        const std::string ending = text::lower(there.extension().native());
        if (claim.choice == OnClash::Skip)
            return leaveOut(p, there, "left out, there as ");
        if (claim.choice == OnClash::Ask || claim.choice == OnClash::Suffix) {
            p.marks.push_back({MarkKind::Beside, "there as " + ending + " already", "", there});
            return;
        }
        if (claim.choice != OnClash::KeepBetter || isBetter(claim, there))
            replace(p, there);
        return;
    }
}

void Clashes::takeTaken(Claim& claim, const Path& there) {
    Placement& p = *claim.placement;
    std::error_code error;
    const bool isFile = fs::is_regular_file(fs::symlink_status(there, error));
    const bool asks = claim.choice == OnClash::Ask || (claim.choice != OnClash::Suffix && !isFile);
    if (claim.choice == OnClash::Skip)
        return leaveOut(p, there, "left out, same name as ");
    if (claim.choice == OnClash::Suffix)
        return toSuffix_.push_back(&claim);
    if (asks) {
        const std::string_view what = !isFile ? "a folder or link has that name"
                                      : there.filename() == p.to.filename()
                                          ? "name is taken"
                                          : "a file differs only by the case of letters or by accents: ";
        p.marks.push_back({MarkKind::Taken,
                           isFile && there.filename() != p.to.filename()
                               ? std::string(what) + shownName(there)
                               : std::string(what),
                           "", there});
        return;
    }
    if (claim.choice != OnClash::KeepBetter || isBetter(claim, there))
        replace(p, there);
}

void Clashes::suffix(Claim& claim) {
    Placement& p = *claim.placement;
    const std::string ending = p.to.extension().native();
    const std::string stem = p.to.stem().native();
    for (int n = 2;; ++n) {
        const std::string behind = fmt::format(" ({})", n);
        const std::string name =
            text::clipBytes(stem, longestName - ending.size() - behind.size()) + behind + ending;
        Path to = p.to.parent_path() / name;
        if (used_.contains(keyOf(to, folderKeys_)))
            continue;
        if (const auto there = disk_.find(to); there && *there != p.from && !leaves(*there))
            continue;
        p.to = std::move(to);
        p.parts.back() = name;
        used_.insert(keyOf(p.to, folderKeys_));
        p.marks.push_back(p.to == p.from ? Mark{MarkKind::InPlace, "is there already"}
                                         : Mark{MarkKind::Suffixed, "both are kept"});
        return;
    }
}

} // namespace moorfrost::placing
