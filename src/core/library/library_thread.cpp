// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/library_thread.h"

#include <algorithm>
#include <utility>

#include "core/base/log.h"

namespace moorfrost::library {

LibraryThread::LibraryThread(Path file, Deliver deliver, std::function<void()> troubled,
                             std::chrono::milliseconds retry)
    : file_(std::move(file)), deliver_(std::move(deliver)), troubled_(std::move(troubled)),
      retryAfter_(retry), thread_([this] { run(); }) {}

LibraryThread::~LibraryThread() {
    {
        std::lock_guard lock(mutex_);
        ending_ = true;
    }
    wake_.notify_one();
    thread_.join();
}

void LibraryThread::post(bool writes, Work work) {
    bool told = false;
    {
        std::lock_guard lock(mutex_);
        tasks_.push_back({writes, std::move(work)});
        ++posted_;
        told = stuck_ && writes;
    }
    wake_.notify_one();
    if (told)
        tell();
}

std::optional<LibraryTrouble> LibraryThread::trouble() const {
    std::lock_guard lock(mutex_);
    if (!stuck_)
        return std::nullopt;
    const auto unsaved = std::count_if(tasks_.begin(), tasks_.end(), [](const Task& t) { return t.writes; });
    return LibraryTrouble{stuck_->message, stuck_->kind, static_cast<size_t>(unsaved)};
}

void LibraryThread::retry() {
    {
        std::lock_guard lock(mutex_);
        retryAsked_ = true;
        retryAt_ = {};
    }
    wake_.notify_one();
}

bool LibraryThread::isIdle() const {
    std::lock_guard lock(mutex_);
    return !working_ &&
           std::none_of(tasks_.begin(), tasks_.end(), [this](const Task& t) { return !stuck_ || !t.writes; });
}

uint64_t LibraryThread::posted() const {
    std::lock_guard lock(mutex_);
    return posted_;
}

void LibraryThread::tell() {
    if (troubled_)
        deliver_(troubled_);
}

std::deque<LibraryThread::Task>::iterator LibraryThread::next() {
    if (!stuck_ || ending_ || std::chrono::steady_clock::now() >= retryAt_)
        return tasks_.begin();
    return std::find_if(tasks_.begin(), tasks_.end(), [](const Task& t) { return !t.writes; });
}

void LibraryThread::run() {
    auto store = Store::open(file_);
    const Error closed = store ? Error{} : store.error();
    if (store)
        log::info(log::About::Library, "{} is open", file_.native());
    else
        log::error(log::About::Library, "{}", closed.message);
    bool givenUp = false; // at the end: nothing is tried again
    std::unique_lock lock(mutex_);
    for (;;) {
        working_ = false;
        auto ready = [this] { return ending_ || next() != tasks_.end(); };
        if (stuck_)
            wake_.wait_until(lock, retryAt_, ready);
        else
            wake_.wait(lock, ready);
        auto it = next();
        if (it == tasks_.end()) {
            if (ending_)
                return;
            continue;
        }
        if (it->writes && givenUp) {
            tasks_.erase(it);
            continue;
        }
        Task task{it->writes, std::exchange(it->work, nullptr)}; // its place is kept
        working_ = true;
        if (task.writes)
            retryAsked_ = false;
        lock.unlock();
        std::function<void()> handOver;
        std::optional<Error> failed;
        try {
            handOver = task.work(store ? store->get() : nullptr, &closed);
        } catch (...) {
            failed = errorOfException();
        }
        if (failed)
            log::error(log::About::Library, "{} {}",
                       task.writes ? "not written:" : "not read:", failed->message);
        // What makes no sense to the library would never be written; what it stands on may be mended.
        const bool stays = failed && task.writes && failed->kind != ErrorKind::Invalid;
        if (failed && !stays)
            handOver = task.work(nullptr, &*failed);
        if (handOver)
            deliver_(std::move(handOver));
        lock.lock();
        it = std::find_if(tasks_.begin(), tasks_.end(), [](const Task& t) { return !t.work; });
        const bool told = stuck_.has_value();
        if (stays) {
            it->work = std::move(task.work);
            stuck_ = failed;
            retryAt_ = std::chrono::steady_clock::now();
            if (!retryAsked_) // while it was being tried
                retryAt_ += retryAfter_;
            givenUp = ending_;
        } else {
            tasks_.erase(it);
            if (task.writes && std::exchange(stuck_, std::nullopt))
                log::info(log::About::Library, "it can be written again");
        }
        if (task.writes && (told || stuck_)) {
            lock.unlock();
            tell();
            lock.lock();
        }
    }
}

} // namespace moorfrost::library
