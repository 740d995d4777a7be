// SPDX-License-Identifier: GPL-3.0-or-later
// A file of ours (a sheet, a page, a package) that is written a bit at a time, and takes its name when it is
// whole. One thread.
#pragma once

#include <string_view>

#include "core/files/disk.h"

namespace moorfrost::files {

/// Which names such a file may take: not those of sound (which are a person's), or any, in a folder that is
/// being made.
enum class Naming { Ours, Any };

class GrowingFile {
public:
    /// What is there already stays until finish().
    static Result<GrowingFile> create(const Path& target, Naming naming = Naming::Ours);
    /// Errors stick: the first one is what finish() tells.
    void add(std::string_view bytes);
    /// Whether it makes sense to go on.
    bool isWell() const { return error_ == 0; }
    /// Flushed, and under its name; else nothing is left of it.
    Status finish();
    uint64_t size() const { return at_ + waiting_.size(); } // bytes so far

private:
    GrowingFile(NewFile file, const Path& target) : file_(std::move(file)), target_(target) {}
    void pass();
    NewFile file_;
    Path target_;
    std::string waiting_;
    uint64_t at_ = 0;
    int error_ = 0;
};

} // namespace moorfrost::files
