// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/files/staged_folder.h"

#include <algorithm>
#include <set>
#include <utility>

#include <fcntl.h>
#include <unistd.h>

#include "core/base/byte_source.h"
#include "core/files/disk.h"
#include "core/files/io.h"
#include "core/text/text.h"

namespace moorfrost::files {

namespace {

/// Beside what was made: which kind of thing it is.
constexpr const char* markName = ".moorfrost-made";

void removeTree(const Path& folder) {
    std::error_code ignored;
    std::filesystem::remove_all(folder, ignored);
}

} // namespace

namespace {

/// All files below a folder, from there, but for the mark itself.
std::set<std::string> filesIn(const Path& folder) {
    std::set<std::string> out;
    std::error_code ignored;
    for (auto walk = std::filesystem::recursive_directory_iterator(folder, ignored);
         walk != std::filesystem::recursive_directory_iterator(); walk.increment(ignored)) {
        if (ignored)
            break;
        const std::string name = walk->path().lexically_relative(folder).native();
        if (!std::filesystem::is_directory(walk->symlink_status(ignored)) && name != markName)
            out.insert(name);
    }
    return out;
}

/// What was made is listed in the mark: nothing else may go with it.
bool hasOnlyOurs(const Path& folder) {
    const auto mark = FileSource::open(folder / markName);
    if (!mark)
        return false;
    std::set<std::string> made;
    const auto lines = text::split((*mark)->bytes(0, static_cast<size_t>((*mark)->size())), "\n");
    for (size_t i = 1; i < lines.size(); ++i)
        made.insert(text::unescapeBytes(lines[i]));
    return std::ranges::all_of(filesIn(folder), [&](const std::string& name) { return made.contains(name); });
}

} // namespace

bool StagedFolder::isOurs(const Path& folder, const std::string& kind) {
    if (kind.empty())
        return false;
    const auto mark = FileSource::open(folder / markName);
    return mark && (*mark)->bytes(0, kind.size() + 1) == kind + "\n";
}

Result<StagedFolder> StagedFolder::begin(const Path& target, const std::string& kind) {
    const Path whole = target.has_filename() ? target : target.parent_path();
    if (whole.filename().empty() || !whole.is_absolute())
        return Error{ErrorKind::Invalid, target, "A folder is expected, with all of its path."};
    bool replaces = false;
    std::error_code ignored;
    if (isThere(whole)) {
        const bool folder = std::filesystem::is_directory(std::filesystem::symlink_status(whole, ignored));
        replaces = folder && (std::filesystem::is_empty(whole, ignored) || isOurs(whole, kind));
        if (!replaces)
            return Error{ErrorKind::Exists, whole,
                         "Something else has this name: choose another, or move it out of the way."};
        if (isOurs(whole, kind) && !hasOnlyOurs(whole))
            return Error{ErrorKind::Exists, whole,
                         "There are files in this folder that were not made here: move them out, or choose "
                         "another name."};
    }
    if (Status made = makeFolders(whole.parent_path()); !made)
        return made.error();
    const Path staging = temporaryName(whole, false);
    removeTree(staging); // a leftover of ours; nobody else uses such names
    if (const int error = io::makeFolder(staging); error != 0)
        return systemError(error, whole, "Making the folder");
    StagedFolder out(whole, staging, replaces);
    out.kind_ = kind;
    return out;
}

StagedFolder::StagedFolder(StagedFolder&& other) noexcept
    : target_(std::move(other.target_)), staging_(std::exchange(other.staging_, {})),
      replaces_(other.replaces_), kind_(std::move(other.kind_)) {}

StagedFolder::~StagedFolder() {
    if (!staging_.empty())
        removeTree(staging_);
}

Status StagedFolder::finish() {
    if (!kind_.empty()) {
        std::string mark = kind_ + "\n";
        for (const std::string& name : filesIn(staging_))
            mark += text::escapeBytes(name) + "\n";
        if (Status marked = writeWhole(staging_ / markName, mark); !marked)
            return marked;
    }
    const int fd = ::open(staging_.c_str(), O_RDONLY | O_DIRECTORY | O_CLOEXEC);
    if (fd >= 0) {
        const int error = io::flushDisk(fd);
        ::close(fd);
        if (error != 0)
            return systemError(error, target_, "Writing the folder");
    }
    const Path before = parkedName(target_);
    if (replaces_ && isThere(target_)) {
        removeTree(before);
        if (const int error = io::rename(target_, before); error != 0)
            return systemError(error, target_, "Moving the folder of before out of the way");
    }
    if (const int error = io::renameFree(staging_, target_); error != 0) {
        if (isThere(before))
            io::rename(before, target_);
        return systemError(error, target_, "Giving the folder its name");
    }
    staging_.clear();
    io::flushFolder(target_.parent_path());
    removeTree(before);
    return Done{};
}

} // namespace moorfrost::files
