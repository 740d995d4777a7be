// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/files/io.h"

#include <algorithm>
#include <cerrno>
#include <cstdio>
#include <string_view>

#include <fcntl.h>
#include <sys/stat.h>
#include <sys/xattr.h>
#include <unistd.h>

namespace moorfrost::files::io {

namespace {

Observer* observer = nullptr;

template<class Make>
int step(Event event, Make&& make) {
    if (!observer)
        return make(event.length);
    uint64_t wanted = event.length;
    if (int refused = observer->before(event); refused != 0)
        return refused;
    int error = make(event.length);
    if (error == 0)
        observer->after(event);
    return error == 0 && event.length < wanted ? EIO : error;
}

int outcome(int returned) {
    return returned == 0 ? 0 : errno;
}

} // namespace

void observe(Observer* o) {
    observer = o;
}

bool isObserved() {
    return observer != nullptr;
}

int create(const Path& path, int& fd) {
    fd = -1;
    return step({Call::Create, -1, path, {}, 0, 0, nullptr}, [&](uint64_t) {
        fd = ::open(path.c_str(), O_RDWR | O_CREAT | O_EXCL | O_CLOEXEC | O_NOFOLLOW, 0666);
        return fd >= 0 ? 0 : errno;
    });
}

int write(int fd, uint64_t offset, const char* data, size_t n) {
    return step({Call::Write, fd, {}, {}, offset, n, data}, [&](uint64_t length) {
        for (uint64_t done = 0; done < length;) {
            ssize_t w = ::pwrite(fd, data + done, static_cast<size_t>(length - done),
                                 static_cast<off_t>(offset + done));
            if (w < 0 && errno == EINTR)
                continue;
            if (w <= 0)
                return w < 0 ? errno : EIO;
            done += static_cast<uint64_t>(w);
        }
        return 0;
    });
}

int copy(int from, uint64_t fromOffset, int to, uint64_t toOffset, uint64_t n) {
    return step({Call::Copy, to, {}, {}, toOffset, n, nullptr}, [&](uint64_t length) {
        std::string buffer;
        for (uint64_t done = 0; done < length;) {
            auto in = static_cast<off_t>(fromOffset + done), out = static_cast<off_t>(toOffset + done);
            ssize_t c = -1;
            if (buffer.empty()) {
                c = ::copy_file_range(from, &in, to, &out, static_cast<size_t>(length - done), 0);
                if (c < 0 && errno != EINTR && errno != ENOSPC && errno != EIO && errno != EDQUOT)
                    buffer.resize(1u << 18); // between disks, or a disk without this call
                if (c < 0 && buffer.empty() && errno != EINTR)
                    return errno;
                if (c == 0) // what the kernel cannot map; an end of the file shows up below
                    buffer.resize(1u << 18);
            }
            if (c < 0 && !buffer.empty()) {
                auto want = static_cast<size_t>(std::min<uint64_t>(buffer.size(), length - done));
                c = ::pread(from, buffer.data(), want, static_cast<off_t>(fromOffset + done));
                if (c == 0)
                    return EIO; // the file is shorter than it was
                if (c > 0)
                    c = ::pwrite(to, buffer.data(), static_cast<size_t>(c),
                                 static_cast<off_t>(toOffset + done));
                if (c < 0 && errno != EINTR)
                    return errno;
            }
            done += static_cast<uint64_t>(std::max<ssize_t>(c, 0));
        }
        return 0;
    });
}

int truncate(int fd, uint64_t size) {
    return step({Call::Truncate, fd, {}, {}, size, 0, nullptr},
                [&](uint64_t) { return outcome(::ftruncate(fd, static_cast<off_t>(size))); });
}

int allocate(int fd, uint64_t size) {
    return step({Call::Allocate, fd, {}, {}, size, 0, nullptr},
                [&](uint64_t) { return ::posix_fallocate(fd, 0, static_cast<off_t>(size)); });
}

int flush(int fd) {
    return step({Call::Flush, fd, {}, {}, 0, 0, nullptr}, [&](uint64_t) { return outcome(::fsync(fd)); });
}

int flushData(int fd) {
    return step({Call::Flush, fd, {}, {}, 0, 0, nullptr}, [&](uint64_t) { return outcome(::fdatasync(fd)); });
}

void startFlush(int fd) {
    ::sync_file_range(fd, 0, 0, SYNC_FILE_RANGE_WRITE);
}

int flushFolder(const Path& folder) {
    return step({Call::FlushFolder, -1, folder, {}, 0, 0, nullptr}, [&](uint64_t) {
        int fd = ::open(folder.c_str(), O_RDONLY | O_DIRECTORY | O_CLOEXEC);
        if (fd < 0)
            return errno;
        int error = outcome(::fsync(fd));
        ::close(fd);
        return error == EINVAL || error == ENOTSUP ? 0 : error; // disks that have no such thing
    });
}

int flushDisk(int fd) {
    return step({Call::FlushDisk, fd, {}, {}, 0, 0, nullptr},
                [&](uint64_t) { return outcome(::syncfs(fd)); });
}

int rename(const Path& from, const Path& to) {
    return step({Call::Rename, -1, from, to, 0, 0, nullptr},
                [&](uint64_t) { return outcome(::rename(from.c_str(), to.c_str())); });
}

int renameFree(const Path& from, const Path& to) {
    return step({Call::Rename, -1, from, to, 0, 0, nullptr}, [&](uint64_t) {
        if (::renameat2(AT_FDCWD, from.c_str(), AT_FDCWD, to.c_str(), RENAME_NOREPLACE) == 0)
            return 0;
        int error = errno;
        if (error != EINVAL && error != ENOSYS)
            return error;
        // A disk without this call: a hard link fails when the name is taken, which is what is needed.
        if (::link(from.c_str(), to.c_str()) == 0)
            return outcome(::unlink(from.c_str()));
        if (errno != EPERM && errno != ENOTSUP && errno != ENOSYS)
            return errno;
        // No hard links either: look, then rename. Nothing safer exists there.
        struct stat st {};
        if (::lstat(to.c_str(), &st) == 0)
            return EEXIST;
        return outcome(::rename(from.c_str(), to.c_str()));
    });
}

int unlink(const Path& path) {
    return step({Call::Unlink, -1, path, {}, 0, 0, nullptr},
                [&](uint64_t) { return outcome(::unlink(path.c_str())); });
}

int makeFolder(const Path& path) {
    return step({Call::MakeFolder, -1, path, {}, 0, 0, nullptr},
                [&](uint64_t) { return outcome(::mkdir(path.c_str(), 0777)); });
}

int removeFolder(const Path& path) {
    return step({Call::RemoveFolder, -1, path, {}, 0, 0, nullptr},
                [&](uint64_t) { return outcome(::rmdir(path.c_str())); });
}

std::vector<std::string> copyAttributes(int from, int to) {
    std::vector<std::string> lost;
    step({Call::Attributes, to, {}, {}, 0, 0, nullptr}, [&](uint64_t) {
        struct stat st {};
        if (::fstat(from, &st) != 0)
            return errno;
        struct stat own {};
        bool ownerSame = ::fstat(to, &own) == 0 && own.st_uid == st.st_uid && own.st_gid == st.st_gid;
        if (!ownerSame && ::fchown(to, st.st_uid, st.st_gid) != 0) {
            if (::fchown(to, static_cast<uid_t>(-1), st.st_gid) != 0)
                lost.emplace_back(
                    "The file belongs to another user or group now: the old one could not be set.");
            else
                lost.emplace_back("The file belongs to another user now: the old one could not be set.");
        }
        if (::fchmod(to, st.st_mode & 07777) != 0)
            lost.emplace_back("The rights of the file could not be kept.");
        std::string names(65536, '\0');
        ssize_t length = ::flistxattr(from, names.data(), names.size());
        bool all = true;
        for (ssize_t at = 0; at < length;) {
            const char* name = names.data() + at;
            std::string value(65536, '\0');
            ssize_t n = ::fgetxattr(from, name, value.data(), value.size());
            all = n >= 0 && ::fsetxattr(to, name, value.data(), static_cast<size_t>(n), 0) == 0 && all;
            at += static_cast<ssize_t>(std::string_view(name).size()) + 1;
        }
        if (!all)
            lost.emplace_back("Some extended attributes of the file could not be kept.");
        return 0;
    });
    return lost;
}

int setModified(int fd, int64_t modifiedNs) {
    return step({Call::Attributes, fd, {}, {}, 0, 0, nullptr}, [&](uint64_t) {
        timespec times[2];
        times[0].tv_sec = 0;
        times[0].tv_nsec = UTIME_OMIT;
        times[1].tv_sec = static_cast<time_t>(modifiedNs / 1000000000);
        times[1].tv_nsec = static_cast<long>(modifiedNs % 1000000000);
        return outcome(::futimens(fd, times));
    });
}

} // namespace moorfrost::files::io
