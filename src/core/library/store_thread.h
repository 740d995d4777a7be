// SPDX-License-Identifier: GPL-3.0-or-later
// The one thread on which an application speaks to its library, so that its interface never waits for the
// disk.
#pragma once

#include <condition_variable>
#include <deque>
#include <functional>
#include <mutex>
#include <thread>

#include "core/library/store/store.h"

namespace moorfrost::library {

class StoreThread {
public:
    using Task = std::function<void(Store&)>;

    /// `failed` is called (on the store's thread) with a sentence when the library cannot be opened or a task
    /// fails.
    StoreThread(Path file, std::function<void(const std::string&)> failed);
    /// Waits until all tasks are done.
    ~StoreThread();
    StoreThread(const StoreThread&) = delete;
    StoreThread& operator=(const StoreThread&) = delete;

    void post(Task task);
    /// Nothing is being done and nothing waits. What tasks had posted to others by then is theirs.
    bool isIdle() const;
    /// How many tasks it was ever given.
    uint64_t posted() const;
    const Path& file() const { return file_; }

private:
    void run();

    Path file_;
    std::function<void(const std::string&)> failed_;
    mutable std::mutex mutex_;
    std::condition_variable wake_;
    std::deque<Task> tasks_;
    uint64_t posted_ = 0;
    bool ending_ = false, closed_ = false, working_ = true;
    std::thread thread_;
};

} // namespace moorfrost::library
