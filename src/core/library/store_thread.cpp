// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/store_thread.h"

namespace moorfrost::library {

StoreThread::StoreThread(Path file, std::function<void(const std::string&)> failed)
    : file_(std::move(file)), failed_(std::move(failed)), thread_([this] { run(); }) {}

StoreThread::~StoreThread() {
    {
        std::lock_guard lock(mutex_);
        ending_ = true;
    }
    wake_.notify_one();
    thread_.join();
}

void StoreThread::post(Task task) {
    {
        std::lock_guard lock(mutex_);
        if (closed_)
            return;
        tasks_.push_back(std::move(task));
        ++posted_;
    }
    wake_.notify_one();
}

bool StoreThread::isIdle() const {
    std::lock_guard lock(mutex_);
    return tasks_.empty() && !working_;
}

uint64_t StoreThread::posted() const {
    std::lock_guard lock(mutex_);
    return posted_;
}

void StoreThread::run() {
    auto store = Store::open(file_);
    if (!store) {
        failed_(store.error().message);
        std::lock_guard lock(mutex_);
        closed_ = true; // nothing will ever be done; whoever waits for a task learns it from its end
        tasks_.clear();
        working_ = false;
        return;
    }
    for (;;) {
        Task task;
        {
            std::unique_lock lock(mutex_);
            working_ = false;
            wake_.wait(lock, [this] { return ending_ || !tasks_.empty(); });
            if (tasks_.empty())
                return;
            task = std::move(tasks_.front());
            tasks_.pop_front();
            working_ = true;
        }
        try {
            task(**store);
        } catch (const std::exception& e) {
            failed_(e.what());
        }
    }
}

} // namespace moorfrost::library
