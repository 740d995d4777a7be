// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/files/disk.h"

#include <algorithm>
#include <cerrno>

#include <fcntl.h>
#include <sys/stat.h>
#include <sys/vfs.h>
#include <unistd.h>

#include "core/audio/essence.h"
#include "core/files/io.h"
#include "core/text/text.h"

namespace moorfrost::files {

namespace {

constexpr uint64_t longRun = 128 * 1024;

Path besideWith(const Path& target, const char* ending) {
    std::string name = text::escapeBytes(target.filename().native());
    if (name.size() > 200) // long names must stay different
        name = text::clipBytes(name, 160) + audio::bytesHash(name);
    return target.parent_path() / (".moorfrost-" + name + ending);
}

uint64_t fileSystemId(const struct statfs& s) {
    uint64_t id = static_cast<uint32_t>(s.f_fsid.__val[0]);
    return id << 32 | static_cast<uint32_t>(s.f_fsid.__val[1]);
}

} // namespace

Path temporaryName(const Path& target, bool replacing) {
    return besideWith(target, replacing ? ".part" : ".new");
}

Path parkedName(const Path& target) {
    return besideWith(target, ".parked");
}

Result<NewFile> NewFile::create(const Path& target, bool replacing) {
    Path temporary = temporaryName(target, replacing);
    if (isThere(temporary))
        io::unlink(temporary); // a leftover of ours; nobody else uses such names
    int fd = -1;
    if (int error = io::create(temporary, fd); error != 0)
        return systemError(error, target, "Writing a new file in the folder");
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
        io::unlink(temporary_);
}

Status NewFile::fill(const FileSource& old, const Recipe& recipe) {
    uint64_t at = 0;
    std::string buffer;
    for (const Extent& e : recipe.extents) {
        int error = 0;
        if (e.fresh) {
            error = io::write(fd_, at, recipe.fresh.data() + e.offset, static_cast<size_t>(e.length));
        } else if (e.length >= longRun) {
            error = io::copy(old.descriptor(), e.offset, fd_, at, e.length);
        } else {
            buffer = old.bytes(e.offset, static_cast<size_t>(e.length));
            error = buffer.size() == e.length ? io::write(fd_, at, buffer.data(), buffer.size()) : EIO;
        }
        if (error != 0)
            return systemError(error, target_, "Writing the file");
        at += e.length;
    }
    return Done{};
}

Status mayBeOurs(const Path& target) {
    if (audio::formatByExtension(target) != audio::Format::Unknown)
        return Error{ErrorKind::Exists, target, "Choose another name: this one is that of a sound file."};
    std::error_code ignored;
    if (std::filesystem::is_directory(target, ignored))
        return Error{ErrorKind::Exists, target, "There is a folder of that name."};
    return Done{};
}

Status writeWhole(const Path& target, std::span<const std::string_view> parts) {
    if (Status may = mayBeOurs(target); !may)
        return may;
    auto file = NewFile::create(target, isThere(target));
    if (!file)
        return file.error();
    int error = 0;
    uint64_t at = 0;
    for (std::string_view part : parts) {
        if (error == 0)
            error = io::write(file->descriptor(), at, part.data(), part.size());
        at += part.size();
    }
    return putInPlace(*file, target, error);
}

Status putInPlace(NewFile& file, const Path& target, int error) {
    if (error == 0)
        error = io::flush(file.descriptor());
    if (error != 0)
        return systemError(error, target, "Writing the file");
    if (Status placed = file.replaceTarget(); !placed)
        return placed;
    io::flushFolder(target.parent_path().empty() ? Path(".") : target.parent_path());
    return Done{};
}

Status NewFile::replaceTarget() {
    if (int error = io::rename(temporary_, target_); error != 0)
        return systemError(error, target_, "Putting the changed file in place");
    temporary_.clear();
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
    int error = io::renameFree(from, to);
    crossDevice = error == EXDEV;
    if (error == 0)
        return Done{};
    return systemError(error, error == EEXIST ? to : from, "Moving the file");
}

Result<Look> lookAt(const Path& path) {
    struct stat st {};
    if (::lstat(path.c_str(), &st) != 0)
        return systemError(errno, path, "Looking at the file");
    return Look{
        {st.st_dev, st.st_ino, 0},
        {static_cast<uint64_t>(st.st_size), int64_t{st.st_mtim.tv_sec} * 1000000000 + st.st_mtim.tv_nsec},
        S_ISLNK(st.st_mode),
        st.st_nlink};
}

FileIdentity identityOf(int descriptor) {
    struct stat st {};
    struct statfs system {};
    if (::fstat(descriptor, &st) != 0)
        return {};
    FileIdentity id{st.st_dev, st.st_ino, 0};
    if (::fstatfs(descriptor, &system) == 0)
        id.fileSystem = fileSystemId(system);
    return id;
}

Result<FileIdentity> identityOf(const Path& path) {
    struct stat st {};
    struct statfs system {};
    if (::lstat(path.c_str(), &st) != 0)
        return systemError(errno, path, "Looking at the file");
    FileIdentity id{st.st_dev, st.st_ino, 0};
    if (!S_ISLNK(st.st_mode) && ::statfs(path.c_str(), &system) == 0)
        id.fileSystem = fileSystemId(system);
    return id;
}

bool isThere(const Path& path) {
    struct stat st {};
    return ::lstat(path.c_str(), &st) == 0;
}

uint64_t deviceOf(const Path& path) {
    struct stat st {};
    return ::stat(path.c_str(), &st) == 0 ? st.st_dev : 0;
}

Path nearestFolder(Path folder) {
    struct stat st {};
    while (folder.has_relative_path() && ::stat(folder.c_str(), &st) != 0)
        folder = folder.parent_path();
    return folder;
}

std::vector<Path> missingFolders(const Path& folder) {
    std::vector<Path> missing;
    struct stat st {};
    for (Path p = folder; p.has_relative_path() && ::stat(p.c_str(), &st) != 0; p = p.parent_path())
        missing.push_back(p);
    std::reverse(missing.begin(), missing.end());
    return missing;
}

Status makeFolders(const Path& folder) {
    for (const Path& p : missingFolders(folder))
        if (int error = io::makeFolder(p); error != 0 && error != EEXIST)
            return systemError(error, p, "Making the folder " + text::forDisplay(p.filename().native()));
    struct stat st {};
    if (::stat(folder.c_str(), &st) != 0 || !S_ISDIR(st.st_mode))
        return Error{ErrorKind::Exists, folder, "A file has the name that the folder should have."};
    return Done{};
}

bool removeIfEmpty(const Path& folder) {
    return io::removeFolder(folder) == 0;
}

Status removeFile(const Path& path) {
    int error = io::unlink(path);
    return error == 0 ? Status(Done{}) : Status(systemError(error, path, "Removing the file"));
}

} // namespace moorfrost::files
