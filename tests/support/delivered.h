// SPDX-License-Identifier: GPL-3.0-or-later
// What jobs and the library's thread deliver, called here one by one.
#pragma once

#include <QtTest>

#include <condition_variable>
#include <deque>
#include <functional>
#include <mutex>

namespace moorfrost::test {

class Delivered {
public:
    std::function<void(std::function<void()>)> take() {
        return [this](std::function<void()> f) {
            std::lock_guard lock(mutex_);
            waiting_.push_back(std::move(f));
            came_.notify_one();
        };
    }
    void one() {
        std::unique_lock lock(mutex_);
        QVERIFY(came_.wait_for(lock, std::chrono::seconds(20), [this] { return !waiting_.empty(); }));
        auto f = std::move(waiting_.front());
        waiting_.pop_front();
        lock.unlock();
        f();
    }
    bool isEmpty() {
        std::lock_guard lock(mutex_);
        return waiting_.empty();
    }

private:
    std::mutex mutex_;
    std::condition_variable came_;
    std::deque<std::function<void()>> waiting_;
};

} // namespace moorfrost::test
