// SPDX-License-Identifier: GPL-3.0-or-later
// Things that are made on one thread and used on another, in their order, while the next are made.
#pragma once

#include <condition_variable>
#include <deque>
#include <exception>
#include <functional>
#include <mutex>
#include <thread>
#include <utility>
#include <vector>

namespace moorfrost::work {

/// put() and end() are called from one thread. At most a few portions wait: who makes them waits then.
template<class Thing>
class InOrder {
public:
    /// `use` is called from a thread of its own; false: no more is wanted.
    explicit InOrder(std::function<bool(Thing&&)> use) : use_(std::move(use)), thread_([this] { run(); }) {}
    InOrder(const InOrder&) = delete;
    InOrder& operator=(const InOrder&) = delete;
    ~InOrder() { close(); }

    /// False where no more is wanted: what was put may not have been used.
    bool put(Thing&& thing) {
        portion_.push_back(std::move(thing));
        return portion_.size() < inPortion || handOver();
    }
    /// When it returns, all was used, or no more was wanted. What `use` threw is thrown on.
    void end() {
        if (!portion_.empty())
            handOver();
        close();
        if (trouble_)
            std::rethrow_exception(std::exchange(trouble_, nullptr));
    }

private:
    static constexpr size_t inPortion = 200, mostWaiting = 8;

    bool handOver() {
        std::unique_lock lock(mutex_);
        changed_.wait(lock, [this] { return waiting_.size() < mostWaiting || isOver_; });
        if (isOver_)
            return false;
        waiting_.push_back(std::exchange(portion_, {}));
        changed_.notify_all();
        return true;
    }
    void close() {
        {
            std::lock_guard lock(mutex_);
            isClosed_ = true;
            changed_.notify_all();
        }
        if (thread_.joinable())
            thread_.join();
    }
    void run() {
        try {
            while (true) {
                std::vector<Thing> things;
                {
                    std::unique_lock lock(mutex_);
                    changed_.wait(lock, [this] { return !waiting_.empty() || isClosed_; });
                    if (waiting_.empty())
                        return;
                    things = std::move(waiting_.front());
                    waiting_.pop_front();
                    changed_.notify_all();
                }
                for (Thing& thing : things)
                    if (!use_(std::move(thing)))
                        return over(nullptr);
            }
        } catch (...) {
            over(std::current_exception());
        }
    }
    void over(std::exception_ptr trouble) {
        std::lock_guard lock(mutex_);
        isOver_ = true;
        trouble_ = std::move(trouble);
        waiting_.clear();
        changed_.notify_all();
    }

    std::function<bool(Thing&&)> use_;
    std::vector<Thing> portion_;
    std::mutex mutex_; // guards what follows
    std::condition_variable changed_;
    std::deque<std::vector<Thing>> waiting_;
    bool isClosed_ = false, isOver_ = false;
    std::exception_ptr trouble_;
    std::thread thread_; // last: it uses all of the above
};

} // namespace moorfrost::work
