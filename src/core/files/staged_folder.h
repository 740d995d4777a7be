// SPDX-License-Identifier: GPL-3.0-or-later
// A folder of ours (a share page, a package) that is made beside its place, and takes its name when it is
// whole. A folder of the same kind that was made here before is replaced, if nothing but what was made is in
// it; any other is left alone. One thread.
#pragma once

#include <string>

#include "core/base/result.h"

namespace moorfrost::files {

class StagedFolder {
public:
    /// `kind`: noted in it, so that it is known again; "" where no file of ours may be in it: then none is
    /// ever replaced. An Error (Exists) where something else has the name.
    static Result<StagedFolder> begin(const Path& target, const std::string& kind);
    /// Without finish() nothing is left of it.
    ~StagedFolder();
    StagedFolder(StagedFolder&& other) noexcept;
    StagedFolder& operator=(StagedFolder&&) = delete;

    /// Where its content is to be made.
    const Path& path() const { return staging_; }
    /// All of it is flushed, and it takes its name.
    Status finish();

    /// Whether the folder was made here, as that kind.
    static bool isOurs(const Path& folder, const std::string& kind);

private:
    StagedFolder(Path target, Path staging, bool replaces)
        : target_(std::move(target)), staging_(std::move(staging)), replaces_(replaces) {}
    Path target_, staging_; // staging_: "" when it was finished
    bool replaces_;
    std::string kind_;
};

} // namespace moorfrost::files
