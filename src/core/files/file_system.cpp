// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/files/file_system.h"

#include <array>
#include <cerrno>

#include <dirent.h>
#include <sys/statvfs.h>
#include <sys/vfs.h>

#include "core/files/disk.h"
#include "core/files/step_checks.h"

namespace moorfrost::files {

namespace {

struct Known {
    unsigned long magic; // of statfs(2); see linux/magic.h
    const char* name;
    NameProfile holds;
    bool foldsCase;
};

constexpr NameProfile all = NameProfile::Linux, portable = NameProfile::Portable;
constexpr std::array<Known, 14> known = {{
    {0xEF53, "ext4", all, false},
    {0x58465342, "xfs", all, false},
    {0x9123683E, "btrfs", all, false},
    {0xF2F52010, "f2fs", all, false},
    {0x2FC12FC1, "zfs", all, false},
    {0x01021994, "tmpfs", all, false},
    {0x794C7630, "overlay", all, false},
    {0x6969, "nfs", all, false},
    {0x4D44, "vfat", portable, true},
    {0x2011BAB0, "exfat", portable, true},
    {0x5346544E, "ntfs", portable, true},
    {0x7366746E, "ntfs3", portable, true},
    {0xFF534D42, "cifs", portable, true},
    {0xFE534D42, "smb", portable, true},
}};

} // namespace

void eachEntry(const Path& folder, const std::function<void(const std::string& name)>& each,
               std::error_code& error) {
    error.clear();
    DIR* open = ::opendir(folder.c_str());
    if (!open) {
        error.assign(errno, std::generic_category());
        return;
    }
    std::string name;
    errno = 0;
    while (const dirent* entry = ::readdir(open)) {
        name = entry->d_name;
        if (name != "." && name != "..")
            each(name);
        errno = 0;
    }
    if (errno != 0)
        error.assign(errno, std::generic_category());
    ::closedir(open);
}

FileSystem fileSystemOf(const Path& folder) {
    FileSystem out;
    const Path there = nearestFolder(folder);
    struct statfs what {};
    if (::statfs(there.c_str(), &what) == 0)
        for (const Known& one : known)
            if (one.magic == static_cast<unsigned long>(what.f_type) % 0x100000000UL) {
                out.name = one.name;
                out.holds = one.holds;
                out.foldsCase = one.foldsCase;
            }
    struct statvfs space {};
    if (::statvfs(there.c_str(), &space) == 0)
        out.readOnly = (space.f_flag & ST_RDONLY) != 0;
    out.free = freeBytes(there);
    return out;
}

} // namespace moorfrost::files
