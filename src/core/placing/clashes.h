// SPDX-License-Identifier: GPL-3.0-or-later
// Files that want one name, and names that are taken. Inside placing/ only.
#pragma once

#include <functional>
#include <optional>
#include <unordered_map>
#include <unordered_set>

#include "core/files/safe_name.h"
#include "core/placing/folders.h"

namespace moorfrost::placing {

/// What folders hold, by what names are compared by. Each folder is read once, and none that the folder above
/// it does not have.
class FoldersOnDisk {
public:
    /// `root`: the folder below which most questions are.
    FoldersOnDisk(files::NameProfile profile, Path root) : profile_(profile), root_(std::move(root)) {}
    /// What has that name in its folder, or one that counts as the same.
    std::optional<Path> find(const Path& path);
    bool isFolder(const Path& path);
    /// Other sound in its folder that is called the same but for the ending.
    std::vector<Path> besides(const Path& path);

private:
    struct Folder {
        bool isThere = false;
        std::unordered_map<std::string, std::string> names;       // by key
        std::unordered_multimap<std::string, std::string> sounds; // by key of the name without its ending
        bool mayHave(std::string_view folder, files::NameProfile profile) const {
            return isThere && names.contains(files::nameKey(folder.substr(folder.rfind('/') + 1), profile));
        }
    };
    const Folder& folder(std::string_view path);

    files::NameProfile profile_;
    Path root_;
    ByFolder<Folder> folders_;
};

/// Quality of a file that is on the shelf; nullopt where it cannot be told.
using QualityThere = std::function<std::optional<Quality>(const Path&)>;

class Clashes {
public:
    Clashes(files::NameProfile profile, FoldersOnDisk& disk, QualityThere qualityThere)
        : profile_(profile), disk_(disk), qualityThere_(std::move(qualityThere)) {}

    struct Claim {
        Placement* placement = nullptr;
        Quality quality;
        OnClash choice = OnClash::Ask;
        std::string key = {}; // of the name that it wants; made here
    };
    /// Each gets its name, or a mark that says why not. What an earlier call placed keeps its names.
    void settle(std::vector<Claim> claims);

private:
    void settleRivals(const std::vector<Claim*>& rivals);
    void challenge(Claim& claim, const Placement& inPlace, const Quality& quality, bool& replaced);
    void settleTaken(std::vector<Claim>& claims);
    /// What has the name of the claim on the disk and stays there.
    std::optional<Path> occupant(const Claim& claim);
    bool leaves(const Path& path) const;
    void takeTaken(Claim& claim, const Path& there);
    /// Than what is there; what is not is left out.
    bool isBetter(Claim& claim, const Path& there);
    /// Where nothing has its name, but the same is there in another format.
    void settleBeside(Claim& claim);
    void suffix(Claim& claim);
    std::string keyOf(const Path& path, ByFolder<std::string>& folders) const;
    /// Of those that go somewhere; the others have none.
    void makeKeys(std::vector<Claim>& claims) const;

    files::NameProfile profile_;
    FoldersOnDisk& disk_;
    QualityThere qualityThere_;
    ByFolder<std::string> folderKeys_;
    std::unordered_map<std::string_view, const Placement*> byFrom_;
    std::unordered_set<std::string> used_; // keys of names that are given
    std::vector<Claim*> toSuffix_;
};

} // namespace moorfrost::placing
