// SPDX-License-Identifier: GPL-3.0-or-later
// The group log: what is being written at this moment, with the bytes before and after, so that a crash at
// any point can be put right. One file of a size that is set aside beforehand; one group of steps at a time;
// each group has a number that only grows and a checksum over all of it. A group counts from the moment it is
// on the disk whole until it is retired; writing the next group over it retires it as well.
//
//   0     magic, version, number of the last retired group, checksum; again at 512: the two are written in
//   turn 4096  magic, number, length, XXH3-128 of number and payload, checksum of this header; then the
//   payload
// Numbers are little-endian. One thread at a time; one process at a time (see library::WriterLock).
#pragma once

#include <memory>
#include <optional>
#include <string_view>

#include "core/files/steps.h"

namespace moorfrost::files {

class WriteAheadLog {
public:
    struct Group {
        uint64_t number = 0;
        std::vector<NumberedStep> steps;
    };

    /// Opens or makes it. An error if it is from a newer version or cannot be made.
    static Result<std::unique_ptr<WriteAheadLog>> open(const Path& file);
    ~WriteAheadLog();
    WriteAheadLog(const WriteAheadLog&) = delete;
    WriteAheadLog& operator=(const WriteAheadLog&) = delete;

    /// The group that is not retired, if there is one. A group that is not whole never was one: nothing had
    /// been touched when it was being written.
    Result<std::optional<Group>> pending() const;
    /// Durable when it returns. The group before it must be finished.
    Result<uint64_t> append(const std::vector<NumberedStep>& steps);
    /// The group is finished and recorded elsewhere. With `flush`, durable when it returns; without, it is so
    /// when the next group is.
    Status retire(uint64_t number, bool flush);
    uint64_t retired() const { return retired_; }
    const Path& path() const { return path_; }

    /// The payload of a group. Safe for any bytes.
    static Result<std::vector<NumberedStep>> decode(std::string_view payload);
    static std::string encode(const std::vector<NumberedStep>& steps);

private:
    WriteAheadLog(int fd, Path path) : fd_(fd), path_(std::move(path)) {}
    int fd_;
    Path path_;
    uint64_t retired_ = 0;
    uint64_t last_ = 0;
};

} // namespace moorfrost::files
