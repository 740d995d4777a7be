// SPDX-License-Identifier: GPL-3.0-or-later
// The few ways in which this program changes the disk, each safe by itself. Used by file sets only.
#pragma once

#include <functional>
#include <vector>

#include "core/base/byte_source.h"
#include "core/base/result.h"

namespace moorfrost::files {

/// A file beside `target` that is not there under its name yet; removed again unless it is put in place.
class NewFile {
public:
    static Result<NewFile> create(const Path& target);
    NewFile(NewFile&& other) noexcept;
    NewFile& operator=(NewFile&&) = delete;
    ~NewFile();

    Status append(const char* data, size_t n);
    /// Owner, mode, extended attributes (and so ACLs) of another file; what cannot be kept is left.
    void copyAttributes(int fromDescriptor);
    Status flush();
    /// Takes the name of `target`, replacing it. Durable when it returns.
    Status replaceTarget();
    /// Takes the name of `target` only if nothing has it. Durable when it returns.
    Status takeFreeName();
    const Path& path() const { return temporary_; }

private:
    NewFile(int fd, Path temporary, Path target)
        : fd_(fd), temporary_(std::move(temporary)), target_(std::move(target)) {}
    int fd_;
    Path temporary_;
    Path target_;
};

/// The name that NewFile gives to a file while it is being made.
Path temporaryName(const Path& target);

/// Renames without ever replacing anything; ErrorKind::Exists if `to` is there. `crossDevice` is set when the
/// two are on different disks (nothing was done then).
Status renameFree(const Path& from, const Path& to, bool& crossDevice);

Status removeFile(const Path& path);
/// Makes `folder` and what is missing above it; adds what was made to `made`, outer ones first.
Status makeFolders(const Path& folder, std::vector<Path>& made);
/// Removes the folder only if it is empty; true if it was removed.
bool removeIfEmpty(const Path& folder);
void setModified(const Path& path, int64_t modifiedNs);
void flushFolder(const Path& folder);

} // namespace moorfrost::files
