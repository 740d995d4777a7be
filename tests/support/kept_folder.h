// SPDX-License-Identifier: GPL-3.0-or-later
// A folder in the build, on the disk of the sources. Gone after the test.
#pragma once

#include <filesystem>
#include <unistd.h>

#include "support/places.h"

namespace moorfrost::test {

class KeptFolder {
public:
    KeptFolder() : root_(inBuild("tests/kept-" + std::to_string(::getpid()))) {
        std::filesystem::create_directories(root_);
    }
    ~KeptFolder() {
        std::error_code ignored;
        std::filesystem::remove_all(root_, ignored);
    }
    KeptFolder(const KeptFolder&) = delete;
    KeptFolder& operator=(const KeptFolder&) = delete;
    const Path& root() const { return root_; }

private:
    Path root_;
};

} // namespace moorfrost::test
