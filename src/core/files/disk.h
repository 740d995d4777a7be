// SPDX-License-Identifier: GPL-3.0-or-later
// The few ways in which this program changes files and folders, made of the calls in io.h, with errors in
// words. Used by file sets and their recovery only. Nothing here is durable before it is flushed.
#pragma once

#include <functional>
#include <span>
#include <string_view>
#include <vector>

#include "core/base/recipe.h"
#include "core/base/result.h"
#include "core/files/steps.h"

namespace moorfrost::files {

/// A file beside `target` that is not there under its name yet; removed again unless it is put in place.
class NewFile {
public:
    /// `replacing`: the target is there and will be replaced.
    static Result<NewFile> create(const Path& target, bool replacing);
    NewFile(NewFile&& other) noexcept;
    NewFile& operator=(NewFile&&) = delete;
    ~NewFile();

    /// Fills it; long runs of the old file are copied inside the kernel.
    Status fill(const FileSource& old, const Recipe& recipe);
    int descriptor() const { return fd_; }
    /// Takes the name of `target`, replacing it.
    Status replaceTarget();
    /// Takes the name of `target` only if nothing has it.
    Status takeFreeName();
    const Path& path() const { return temporary_; }

private:
    NewFile(int fd, Path temporary, Path target)
        : fd_(fd), temporary_(std::move(temporary)), target_(std::move(target)) {}
    int fd_;
    Path temporary_;
    Path target_;
};

/// Flushes the file and lets it take the name of its target. `error`: of writing it, 0 for none.
Status putInPlace(NewFile& file, const Path& target, int error);

/// An Error where a file of ours must not take this name: it is that of sound, or of a folder.
Status mayBeOurs(const Path& target);
/// A text of ours (a report, a list) as a file, flushed. What is there already is replaced as a whole or not
/// at all; what is named like sound is never replaced.
Status writeWhole(const Path& target, std::span<const std::string_view> parts);
inline Status writeWhole(const Path& target, const std::string& bytes) {
    const std::string_view all = bytes;
    return writeWhole(target, std::span(&all, 1));
}

/// The name that NewFile gives to a file while it is being made.
Path temporaryName(const Path& target, bool replacing);
/// The name in between for a file that changes places with others, in the folder of `target`.
Path parkedName(const Path& target);

/// Renames without ever replacing anything; ErrorKind::Exists if `to` is there. `crossDevice` is set when the
/// two are on different disks (nothing was done then).
Status renameFree(const Path& from, const Path& to, bool& crossDevice);

/// What a file is, without following a link.
Result<FileIdentity> identityOf(const Path& path);
/// Both at once, without the number of the file system.
struct Look {
    FileIdentity identity;
    FileState state;
    bool isLink = false;
    uint64_t links = 0; // names that the file has
};
Result<Look> lookAt(const Path& path);
FileIdentity identityOf(int descriptor);
bool isThere(const Path& path);
uint64_t deviceOf(const Path& path);
/// The folder itself or the nearest one above it that is there.
Path nearestFolder(Path folder);
/// The folders that would have to be made, outer ones first.
std::vector<Path> missingFolders(const Path& folder);
/// Makes what is missing.
Status makeFolders(const Path& folder);
/// Removes the folder only if it is empty; true if it was removed.
bool removeIfEmpty(const Path& folder);
Status removeFile(const Path& path);

} // namespace moorfrost::files
