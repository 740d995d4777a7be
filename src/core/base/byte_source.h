// SPDX-License-Identifier: GPL-3.0-or-later
// Random reading of bytes, from a file or from the overlay over one.
#pragma once

#include <array>
#include <cstdint>
#include <memory>
#include <string>
#include <string_view>

#include "core/base/result.h"

namespace moorfrost {

class ByteSource {
public:
    virtual ~ByteSource() = default;
    virtual uint64_t size() const = 0;
    /// Reads up to `n` bytes at `offset`; returns how many. Fewer only at the end or on an I/O error.
    virtual size_t read(uint64_t offset, char* into, size_t n) const = 0;

    std::string bytes(uint64_t offset, size_t n) const {
        std::string out(n, '\0');
        out.resize(read(offset, out.data(), n));
        return out;
    }
};

/// The `n` bytes of a source that end at `end`, or all up to there; valid until the next call on this thread.
/// For looking at the ends of many files without asking for memory each time.
std::string_view tailOf(const ByteSource& source, uint64_t end, size_t n);

/// Up to `n` bytes at `offset` of an open file; fewer only at its end or on an I/O error.
std::string readAt(int descriptor, uint64_t offset, size_t n);

/// A regular file, opened without following it into devices or pipes. Reads through windows of 16 KB, so
/// that the many small reads of a tag parser cost few system calls. One thread at a time.
class FileSource : public ByteSource {
public:
    static Result<std::shared_ptr<FileSource>> open(const Path& path);
    ~FileSource() override;
    FileSource(const FileSource&) = delete;
    FileSource& operator=(const FileSource&) = delete;

    uint64_t size() const override { return size_; }
    size_t read(uint64_t offset, char* into, size_t n) const override;
    /// Some bytes as they stand in a window, valid until the next call; fewer than `n` if it cannot hold so
    /// many.
    std::string_view window(uint64_t offset, size_t n) const;
    int descriptor() const { return fd_; }
    int64_t modifiedNs() const { return modifiedNs_; }

private:
    FileSource(int fd, uint64_t size, int64_t modifiedNs) : fd_(fd), size_(size), modifiedNs_(modifiedNs) {}

    int fd_;
    uint64_t size_;
    int64_t modifiedNs_;
    struct Window {
        std::unique_ptr<char[]> bytes; // not there until it is used
        uint64_t start = 0;
        size_t filled = 0;
    };
    mutable std::array<Window, 3> windows_; // the last used one first: parsers go between both ends
};

} // namespace moorfrost
