// SPDX-License-Identifier: GPL-3.0-or-later
// What a write does to the disk, call by call with the names; and something that happens at one of them.
#pragma once

#include <functional>
#include <mutex>
#include <string>
#include <vector>

#include "core/files/io.h"

namespace moorfrost::test {

class WatchedDisk : public files::io::Observer {
public:
    struct Seen {
        files::io::Call call;
        Path path, to;
    };

    WatchedDisk() { files::io::observe(this); }
    ~WatchedDisk() override { files::io::observe(nullptr); }

    /// Called in front of each call; an errno lets it fail. From any thread, one at a time.
    std::function<int(const files::io::Event&)> before_;

    int before(files::io::Event& event) override {
        std::lock_guard lock(mutex_);
        seen_.push_back({event.call, event.path, event.to});
        return before_ ? before_(event) : 0;
    }
    void after(const files::io::Event&) override {}

    const std::vector<Seen>& seen() const { return seen_; }
    /// Where the first call of this kind on this path stands, from `from` on; -1: nowhere.
    int find(files::io::Call call, const Path& path, int from = 0) const {
        for (size_t i = static_cast<size_t>(from); i < seen_.size(); ++i)
            if (seen_[i].call == call && (seen_[i].path == path || seen_[i].to == path))
                return static_cast<int>(i);
        return -1;
    }

private:
    std::mutex mutex_;
    std::vector<Seen> seen_;
};

} // namespace moorfrost::test
