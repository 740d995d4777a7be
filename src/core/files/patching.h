// SPDX-License-Identifier: GPL-3.0-or-later
// Writing patches into a file, and telling afterwards whether they are in it. Inside files/ only.
#pragma once

#include "core/base/recipe.h"
#include "core/files/steps.h"

namespace moorfrost::files {

/// A file opened for writing in place. Closed with it.
class OpenFile {
public:
    /// Only the file itself, not through a link.
    static Result<OpenFile> open(const Path& path);
    OpenFile(OpenFile&& other) noexcept;
    OpenFile& operator=(OpenFile&& other) noexcept;
    ~OpenFile();
    int descriptor() const { return fd_; }

private:
    explicit OpenFile(int fd) : fd_(fd) {}
    int fd_ = -1;
};

/// Writes what comes `after` (or, `back`, what was `before`) and moves the end of the file. Not flushed.
Status writePatches(int descriptor, const Path& path, const std::vector<Patch>& patches, bool back);

enum class PatchState {
    Old,     // all bytes as before
    New,     // all bytes as asked
    Mixed,   // a write that was interrupted: every byte is the one or the other
    Neither, // somebody else has been at it
};
PatchState patchState(int descriptor, const std::vector<Patch>& patches, uint64_t oldSize);

/// XXH3-128 of what is new in a changed file: all that the way back does not take from it.
std::string patchedHash(const ByteSource& file, const Recipe& undo);

} // namespace moorfrost::files
