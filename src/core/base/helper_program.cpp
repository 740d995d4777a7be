// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/base/helper_program.h"

namespace moorfrost {

namespace {

/// Beside this program or above it; empty where it is nowhere.
Path nearProgram(const Path& what) {
    std::error_code error;
    Path folder = std::filesystem::read_symlink("/proc/self/exe", error).parent_path();
    for (int up = 0; up < 4 && folder.has_relative_path(); ++up, folder = folder.parent_path())
        if (Path found = folder / what; std::filesystem::exists(found, error))
            return found;
    return {};
}

} // namespace

Path helperProgram(const std::string& name) {
    const Path found = nearProgram(Path("libexec") / name);
    return found.empty() ? Path(name) : found;
}

Path sharedFolder(const std::string& name) {
    return nearProgram(Path("share/moorfrost") / name);
}

} // namespace moorfrost
