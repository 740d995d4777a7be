// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/base/helper_program.h"

namespace moorfrost {

Path helperProgram(const std::string& name) {
    std::error_code error;
    Path folder = std::filesystem::read_symlink("/proc/self/exe", error).parent_path();
    for (int up = 0; up < 4 && folder.has_relative_path(); ++up, folder = folder.parent_path())
        if (Path program = folder / "libexec" / name; std::filesystem::exists(program, error))
            return program;
    return name;
}

} // namespace moorfrost
