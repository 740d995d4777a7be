// SPDX-License-Identifier: GPL-3.0-or-later
// What is done with for the time being is put away, so that work on very much needs no memory for all of it
// at once.
#pragma once

#include <atomic>
#include <cstdint>
#include <memory>
#include <mutex>
#include <string>
#include <string_view>
#include <vector>

#include "core/base/result.h"

namespace moorfrost::files {

/// Bytes in a file without a name, which goes with the spool. Where there is no file, or the disk takes no
/// more, they stay in memory.
class Spool {
public:
    struct Piece {
        const char* memory = nullptr; // nullptr: in the file
        uint64_t at = 0;
        size_t size = 0;
    };

    /// What was put away so far, as memory that the system can take back. The spool must live as long.
    class View {
    public:
        View() = default;
        View(const Spool& spool);
        ~View();
        View(const View&) = delete;
        View& operator=(const View&) = delete;
        std::string_view operator[](const Piece& piece) const;
        /// Gives back the memory; what is asked for again comes from the file.
        void letGo() const;

    private:
        char* mapped_ = nullptr;
        size_t size_ = 0;
    };

    /// In memory.
    Spool() = default;
    /// In the folder of that file.
    explicit Spool(const Path& beside);
    ~Spool();
    Spool(const Spool&) = delete;
    Spool& operator=(const Spool&) = delete;

    /// Any thread.
    Piece keep(std::string_view bytes);
    /// Any thread. Shorter than the piece where the disk does not give it back.
    std::string read(const Piece& piece) const;

private:
    int fd_ = -1;
    std::atomic<uint64_t> end_ = 0;
    std::mutex mutex_;
    std::vector<std::unique_ptr<char[]>> memory_;
};

} // namespace moorfrost::files
