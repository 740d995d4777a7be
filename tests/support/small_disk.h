// SPDX-License-Identifier: GPL-3.0-or-later
// A small disk in memory, which runs full soon. Only root may mount it: a test asks isThere().
#pragma once

#include <filesystem>
#include <sys/mount.h>

#include "core/base/result.h"

namespace moorfrost::test {

class SmallDisk {
public:
    /// `options`: as of tmpfs, "size=4m".
    SmallDisk(const Path& at, const char* options) : at_(at) {
        std::filesystem::create_directories(at);
        mounted_ = ::mount("tmpfs", at.c_str(), "tmpfs", 0, options) == 0;
    }
    ~SmallDisk() {
        if (mounted_)
            ::umount2(at_.c_str(), MNT_DETACH);
    }
    SmallDisk(const SmallDisk&) = delete;
    SmallDisk& operator=(const SmallDisk&) = delete;
    bool isThere() const { return mounted_; }
    bool makeReadOnly() { return ::mount("tmpfs", at_.c_str(), "tmpfs", MS_REMOUNT | MS_RDONLY, "") == 0; }

private:
    Path at_;
    bool mounted_ = false;
};

} // namespace moorfrost::test
