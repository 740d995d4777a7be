// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/files/disk.h"

#include <algorithm>
#include <cerrno>
#include <cstdio>
#include <string>

#include <fcntl.h>
#include <sys/stat.h>
#include <sys/xattr.h>
#include <unistd.h>

#include "core/text/text.h"

namespace moorfrost::files {

Path temporaryName(const Path& target) {
    std::string name = target.filename().native();
    return target.parent_path() / (".moorfrost-" + text::clipBytes(text::escapeBytes(name), 200) + ".part");
}

Result<NewFile> NewFile::create(const Path& target) {
    Path temporary = temporaryName(target);
    ::unlink(temporary.c_str()); // a leftover of ours; nobody else uses such names
    int fd = ::open(temporary.c_str(), O_WRONLY | O_CREAT | O_EXCL | O_CLOEXEC, 0666);
    if (fd < 0)
        return systemError(errno, target, "Writing a new file in the folder");
    return NewFile(fd, temporary, target);
}

NewFile::NewFile(NewFile&& other) noexcept
    : fd_(std::exchange(other.fd_, -1)), temporary_(std::move(other.temporary_)),
      target_(std::move(other.target_)) {}

NewFile::~NewFile() {
    if (fd_ < 0)
        return;
    ::close(fd_);
    if (!temporary_.empty())
        ::unlink(temporary_.c_str());
}

Status NewFile::append(const char* data, size_t n) {
    while (n > 0) {
        ssize_t w = ::write(fd_, data, n);
        if (w < 0 && errno == EINTR)
            continue;
        if (w < 0)
            return systemError(errno, target_, "Writing the file");
        data += w;
        n -= static_cast<size_t>(w);
    }
    return Done{};
}

void NewFile::copyAttributes(int from) {
    struct stat st {};
    if (::fstat(from, &st) != 0)
        return;
    if (::fchown(fd_, st.st_uid, st.st_gid) != 0 && ::fchown(fd_, static_cast<uid_t>(-1), st.st_gid) != 0)
        errno = 0; // not ours to give away: the file then belongs to whoever runs this
    ::fchmod(fd_, st.st_mode & 07777);
    std::string names(65536, '\0');
    ssize_t length = ::flistxattr(from, names.data(), names.size());
    for (ssize_t at = 0; at < length;) {
        const char* name = names.data() + at;
        std::string value(65536, '\0');
        ssize_t n = ::fgetxattr(from, name, value.data(), value.size());
        if (n >= 0)
            ::fsetxattr(fd_, name, value.data(), static_cast<size_t>(n), 0);
        at += static_cast<ssize_t>(std::string_view(name).size()) + 1;
    }
}

Status NewFile::flush() {
    return ::fsync(fd_) == 0 ? Status(Done{}) : Status(systemError(errno, target_, "Writing the file"));
}

Status NewFile::replaceTarget() {
    if (::rename(temporary_.c_str(), target_.c_str()) != 0)
        return systemError(errno, target_, "Putting the changed file in place");
    temporary_.clear();
    flushFolder(target_.parent_path());
    return Done{};
}

Status NewFile::takeFreeName() {
    bool crossDevice = false;
    Status renamed = renameFree(temporary_, target_, crossDevice);
    if (renamed)
        temporary_.clear();
    return renamed;
}

Status renameFree(const Path& from, const Path& to, bool& crossDevice) {
    crossDevice = false;
    if (::renameat2(AT_FDCWD, from.c_str(), AT_FDCWD, to.c_str(), RENAME_NOREPLACE) != 0) {
        if (errno == EXDEV) {
            crossDevice = true;
        } else if (errno == EINVAL || errno == ENOSYS) {
            // A file system without this call: a hard link fails when the name is taken, which is what is
            // needed.
            if (::link(from.c_str(), to.c_str()) == 0) {
                ::unlink(from.c_str());
                flushFolder(to.parent_path());
                return Done{};
            }
        }
        return systemError(errno, errno == EEXIST ? to : from, "Moving the file");
    }
    flushFolder(to.parent_path());
    if (from.parent_path() != to.parent_path())
        flushFolder(from.parent_path());
    return Done{};
}

Status removeFile(const Path& path) {
    if (::unlink(path.c_str()) != 0)
        return systemError(errno, path, "Removing the file");
    flushFolder(path.parent_path());
    return Done{};
}

Status makeFolders(const Path& folder, std::vector<Path>& made) {
    std::vector<Path> missing;
    struct stat st {};
    for (Path p = folder; ::stat(p.c_str(), &st) != 0 && p.has_relative_path(); p = p.parent_path())
        missing.push_back(p);
    std::reverse(missing.begin(), missing.end());
    for (const Path& p : missing) {
        if (::mkdir(p.c_str(), 0777) != 0 && errno != EEXIST)
            return systemError(errno, p, "Making the folder " + text::forDisplay(p.filename().native()));
        made.push_back(p);
        flushFolder(p.parent_path());
    }
    if (::stat(folder.c_str(), &st) != 0 || !S_ISDIR(st.st_mode))
        return Error{ErrorKind::Exists, folder, "A file has the name that the folder should have."};
    return Done{};
}

bool removeIfEmpty(const Path& folder) {
    return ::rmdir(folder.c_str()) == 0;
}

void setModified(const Path& path, int64_t modifiedNs) {
    timespec times[2];
    times[0].tv_sec = 0;
    times[0].tv_nsec = UTIME_OMIT;
    times[1].tv_sec = static_cast<time_t>(modifiedNs / 1000000000);
    times[1].tv_nsec = static_cast<long>(modifiedNs % 1000000000);
    ::utimensat(AT_FDCWD, path.c_str(), times, 0);
}

void flushFolder(const Path& folder) {
    int fd = ::open(folder.c_str(), O_RDONLY | O_DIRECTORY | O_CLOEXEC);
    if (fd < 0)
        return;
    ::fsync(fd);
    ::close(fd);
}

} // namespace moorfrost::files
