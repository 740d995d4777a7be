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

constexpr size_t page = 4 * 1024;
constexpr size_t smallWindow = page; // where reading begins, and at the end of a file
constexpr size_t largeWindow = 4 * page;
constexpr size_t mostWindow = largeWindow + page; // begins with a page, reaches as far as is asked

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
    if (n >= largeWindow)
        return readFully(fd_, offset, into, n);
    const std::string_view there = window(offset, n);
    std::memcpy(into, there.data(), there.size());
    return there.size();
}

std::string_view FileSource::window(uint64_t offset, size_t n) const {
    if (offset >= size_ || n >= largeWindow)
        return {};
    n = static_cast<size_t>(std::min<uint64_t>(n, size_ - offset));
    size_t i = 0;
    while (i < windows_.size() &&
           (offset < windows_[i].start || offset + n > windows_[i].start + windows_[i].filled))
        ++i;
    const bool isNew = i == windows_.size();
    if (isNew || i > 0)
        std::rotate(windows_.begin(), windows_.begin() + static_cast<std::ptrdiff_t>(isNew ? i - 1 : i),
                    windows_.begin() + static_cast<std::ptrdiff_t>(isNew ? i : i + 1));
    Window& window = windows_.front();
    if (isNew) {
        // Where more is read around a window it is read in large pieces; elsewhere a small one is often
        // enough. Near the end of the file the window ends with it: tags there are read backwards.
        const bool goesOn = std::any_of(windows_.begin() + 1, windows_.end(), [&](const Window& w) {
            return w.filled > 0 && offset + largeWindow >= w.start &&
                   offset <= w.start + w.filled + largeWindow;
        });
        const size_t length = goesOn || n > smallWindow ? largeWindow : smallWindow;
        const bool atEnd = offset + length >= size_ && size_ > length;
        window.start = atEnd ? std::min(offset, size_ - length) : offset - offset % page;
        const size_t reach = static_cast<size_t>(offset - window.start) + n;
        if (!window.bytes)
            window.bytes = std::make_unique_for_overwrite<char[]>(mostWindow);
        window.filled = readFully(fd_, window.start, window.bytes.get(), std::max(length, reach));
    }
    const size_t at = static_cast<size_t>(offset - window.start);
    return {window.bytes.get() + at, at < window.filled ? std::min(n, window.filled - at) : 0};
}

} // namespace moorfrost
