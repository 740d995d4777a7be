// SPDX-License-Identifier: GPL-3.0-or-later
// How far a piece of work is. Written by the worker, read by anyone; cheap enough for every item.
#pragma once

#include <atomic>
#include <chrono>
#include <cstdint>
#include <filesystem>
#include <mutex>
#include <string>
#include <string_view>

namespace moorfrost::work {

class Progress {
public:
    struct State {
        uint64_t done = 0;
        uint64_t total = 0;      // 0 while it is not known
        std::string item;        // what is being worked on, bytes of a file name
        double perSecond = 0;    // items
        double secondsLeft = -1; // -1 while it cannot be told
    };

    void begin(uint64_t total) {
        std::lock_guard lock(mutex_);
        total_ = total;
        done_ = 0;
        start_ = std::chrono::steady_clock::now();
    }
    /// More of it has become known.
    void expect(uint64_t total) {
        std::lock_guard lock(mutex_);
        total_ = total;
    }
    /// By its path; only the name is told.
    void stepPath(const std::filesystem::path& path) {
        std::string_view all = path.native();
        std::lock_guard lock(mutex_);
        ++done_;
        item_.assign(all.substr(all.rfind('/') + 1));
    }
    void step(const std::string& item, uint64_t n = 1) {
        std::lock_guard lock(mutex_);
        done_ += n;
        item_ = item;
    }
    State state() const {
        std::lock_guard lock(mutex_);
        State s{done_, total_, item_, 0, -1};
        double seconds = std::chrono::duration<double>(std::chrono::steady_clock::now() - start_).count();
        if (seconds > 0.2 && done_ > 0) {
            s.perSecond = static_cast<double>(done_) / seconds;
            if (total_ >= done_)
                s.secondsLeft = static_cast<double>(total_ - done_) / s.perSecond;
        }
        return s;
    }

private:
    mutable std::mutex mutex_;
    uint64_t done_ = 0;
    uint64_t total_ = 0;
    std::string item_;
    std::chrono::steady_clock::time_point start_ = std::chrono::steady_clock::now();
};

} // namespace moorfrost::work
