// SPDX-License-Identifier: GPL-3.0-or-later
// A folder on another disk than the temporary folder: in memory, which every Linux has. Gone after the test.
#pragma once

#include <cstdlib>
#include <filesystem>
#include <stdexcept>

#include "core/files/disk.h"

namespace moorfrost::test {

class FarFolder {
public:
    FarFolder() {
        std::string name = "/dev/shm/moorfrost-test-XXXXXX";
        if (!::mkdtemp(name.data()))
            throw std::runtime_error("no folder in memory");
        root_ = name;
        if (files::deviceOf(root_) == files::deviceOf(std::filesystem::temp_directory_path()))
            throw std::runtime_error("the two folders are on one disk: this would show nothing");
    }
    ~FarFolder() {
        std::error_code ignored;
        std::filesystem::remove_all(root_, ignored);
    }
    FarFolder(const FarFolder&) = delete;
    FarFolder& operator=(const FarFolder&) = delete;
    const Path& root() const { return root_; }
    Path operator/(const std::string& name) const { return root_ / name; }

private:
    Path root_;
};

} // namespace moorfrost::test
