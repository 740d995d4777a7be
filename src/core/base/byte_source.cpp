// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/base/byte_source.h"

#include <algorithm>
#include <cerrno>
#include <cstring>

#include <fcntl.h>
#include <sys/stat.h>
#include <unistd.h>

namespace moorfrost {

namespace {

constexpr size_t windowSize = 16 * 1024;
constexpr size_t firstWindow = 4 * 1024; // of a file, and at its end: often enough

size_t readFully(int fd, uint64_t offset, char* into, size_t n) {
    size_t got = 0;
    while (got < n) {
        ssize_t r = ::pread(fd, into + got, n - got, static_cast<off_t>(offset + got));
        if (r < 0 && errno == EINTR)
            continue;
        if (r <= 0)
            break;
        got += static_cast<size_t>(r);
    }
    return got;
}

} // namespace

std::string_view tailOf(const ByteSource& source, uint64_t end, size_t n) {
    static thread_local std::string buffer;
    n = static_cast<size_t>(std::min<uint64_t>(n, end));
    if (buffer.size() < n)
        buffer.resize(n);
    return {buffer.data(), source.read(end - n, buffer.data(), n)};
}

std::string readAt(int descriptor, uint64_t offset, size_t n) {
    std::string out(n, '\0');
    out.resize(readFully(descriptor, offset, out.data(), n));
    return out;
}

Result<std::shared_ptr<FileSource>> FileSource::open(const Path& path) {
    // O_NONBLOCK: opening a pipe or a device by mistake must not hang.
    int fd = ::open(path.c_str(), O_RDONLY | O_CLOEXEC | O_NONBLOCK);
    if (fd < 0)
        return systemError(errno, path, "Opening the file");
    struct stat st {};
    if (::fstat(fd, &st) != 0) {
        Error error = systemError(errno, path, "Reading the file");
        ::close(fd);
        return error;
    }
    if (!S_ISREG(st.st_mode)) {
        ::close(fd);
        const char* what = S_ISDIR(st.st_mode) ? "a folder" : S_ISFIFO(st.st_mode) ? "a pipe" : "a device";
        return Error{ErrorKind::Unsupported, path, std::string("This is ") + what + ", not a file."};
    }
    int64_t modified = int64_t{st.st_mtim.tv_sec} * 1000000000 + st.st_mtim.tv_nsec;
    return std::shared_ptr<FileSource>(new FileSource(fd, static_cast<uint64_t>(st.st_size), modified));
}

FileSource::~FileSource() {
    ::close(fd_);
}

size_t FileSource::read(uint64_t offset, char* into, size_t n) const {
    if (offset >= size_)
        return 0;
    n = static_cast<size_t>(std::min<uint64_t>(n, size_ - offset));
    if (n >= windowSize)
        return readFully(fd_, offset, into, n);
    size_t i = 0;
    while (i < windows_.size() &&
           (offset < windows_[i].start || offset + n > windows_[i].start + windows_[i].filled))
        ++i;
    bool isNew = i == windows_.size();
    std::rotate(windows_.begin(), windows_.begin() + static_cast<std::ptrdiff_t>(isNew ? i - 1 : i),
                windows_.begin() + static_cast<std::ptrdiff_t>(isNew ? i : i + 1));
    Window& window = windows_.front();
    if (isNew) {
        // Near the end of the file the window ends with it: tags there are read backwards.
        size_t length =
            n <= firstWindow && (!anyRead_ || offset + firstWindow >= size_) ? firstWindow : windowSize;
        anyRead_ = true;
        window.start = offset + length > size_ && size_ > length ? size_ - length : offset;
        if (!window.bytes)
            window.bytes = std::make_unique_for_overwrite<char[]>(windowSize);
        window.filled = readFully(fd_, window.start, window.bytes.get(), length);
    }
    size_t at = static_cast<size_t>(offset - window.start);
    size_t got = at < window.filled ? std::min(n, window.filled - at) : 0;
    std::memcpy(into, window.bytes.get() + at, got);
    return got;
}

} // namespace moorfrost
