// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/files/patching.h"

#include <algorithm>
#include <cerrno>
#include <utility>

#include <fcntl.h>
#include <sys/stat.h>
#include <unistd.h>

#include "core/audio/essence.h"
#include "core/files/io.h"

namespace moorfrost::files {

namespace {

constexpr uint64_t sector = 512;

/// Whether writing `after` over `before`, or the way back, was cut off and can have left `there`: every byte
/// is the old or the new one. Behind the shorter of the two the end of the file moves, perhaps before the
/// bytes come: zeros.
bool isInterrupted(std::string_view there, std::string_view before, std::string_view after) {
    size_t both = std::min(before.size(), after.size());
    for (size_t i = 0; i < there.size(); ++i)
        if (!(i < before.size() && there[i] == before[i]) && !(i < after.size() && there[i] == after[i]) &&
            !(i >= both && there[i] == '\0'))
            return false;
    return true;
}

} // namespace

Result<OpenFile> OpenFile::open(const Path& path) {
    int fd = ::open(path.c_str(), O_RDWR | O_CLOEXEC | O_NOFOLLOW | O_NONBLOCK);
    if (fd < 0)
        return systemError(errno, path, "Opening the file for writing");
    return OpenFile(fd);
}

OpenFile::OpenFile(OpenFile&& other) noexcept : fd_(std::exchange(other.fd_, -1)) {}

OpenFile& OpenFile::operator=(OpenFile&& other) noexcept {
    std::swap(fd_, other.fd_);
    return *this;
}

OpenFile::~OpenFile() {
    if (fd_ >= 0)
        ::close(fd_);
}

Status writePatches(int fd, const Path& path, const std::vector<Patch>& patches, bool back) {
    for (const Patch& p : patches) {
        const std::string& bytes = back ? p.before : p.after;
        int error = bytes.empty() ? 0 : io::write(fd, p.offset, bytes.data(), bytes.size());
        if (error == 0 && p.before.size() != p.after.size()) {
            struct stat st {};
            uint64_t end = p.offset + bytes.size();
            if (::fstat(fd, &st) == 0 && static_cast<uint64_t>(st.st_size) != end)
                error = io::truncate(fd, end);
        }
        if (error != 0)
            return systemError(error, path, "Writing the file");
    }
    return Done{};
}

PatchState patchState(int fd, const std::vector<Patch>& patches, uint64_t oldSize) {
    struct stat st {};
    if (::fstat(fd, &st) != 0)
        return PatchState::Neither;
    auto size = static_cast<uint64_t>(st.st_size);
    uint64_t newSize = oldSize;
    if (!patches.empty() && patches.back().before.size() != patches.back().after.size())
        newSize = patches.back().offset + patches.back().after.size();
    if (size < std::min(oldSize, newSize) || size > std::max(oldSize, newSize))
        return PatchState::Neither;
    bool allOld = size == oldSize, allNew = size == newSize;
    for (const Patch& p : patches) {
        uint64_t end = p.offset + std::max(p.before.size(), p.after.size());
        for (uint64_t at = p.offset; at < end;) {
            uint64_t next = std::min(end, (at / sector + 1) * sector);
            auto part = [&](const std::string& s) {
                size_t from = static_cast<size_t>(at - p.offset);
                return from < s.size() ? s.substr(from, static_cast<size_t>(next - at)) : std::string();
            };
            std::string there = readAt(fd, at, static_cast<size_t>(next - at));
            std::string before = part(p.before), after = part(p.after);
            bool old = there == before, fresh = there == after;
            if (!old && !fresh && !isInterrupted(there, before, after))
                return PatchState::Neither;
            allOld = allOld && old;
            allNew = allNew && fresh;
            at = next;
        }
    }
    return allNew ? PatchState::New : allOld ? PatchState::Old : PatchState::Mixed;
}

std::string patchedHash(const ByteSource& file, const Recipe& undo) {
    std::string fresh;
    uint64_t at = 0;
    for (const Extent& e : undo.extents) {
        if (e.fresh)
            continue;
        if (e.offset > at)
            fresh += file.bytes(at, static_cast<size_t>(e.offset - at));
        at = e.offset + e.length;
    }
    if (at < file.size())
        fresh += file.bytes(at, static_cast<size_t>(file.size() - at));
    return audio::bytesHash(fresh);
}

} // namespace moorfrost::files
