// SPDX-License-Identifier: GPL-3.0-or-later
// The one thread on which an application speaks to its library, so that its interface never waits for the
// disk. What is read and what is written waits in one queue. A write that fails because of the disk (it is
// full, read-only, damaged) is kept and tried again until it succeeds; writes behind it wait, so that they
// reach the library in their order, while what is read goes on.
#pragma once

#include <chrono>
#include <condition_variable>
#include <deque>
#include <functional>
#include <memory>
#include <mutex>
#include <optional>
#include <thread>
#include <type_traits>

#include "core/library/store/store.h"

namespace moorfrost::library {

/// What keeps writes from reaching the library.
struct LibraryTrouble {
    std::string sentence; // why, and what happens with what was typed
    ErrorKind kind = ErrorKind::Io;
    size_t unsaved = 0; // writes that wait, the one that failed included
    bool operator==(const LibraryTrouble&) const = default;
};

namespace detail {
template<class T>
struct Answered {
    using Type = Result<T>;
};
template<>
struct Answered<void> {
    using Type = Status;
};
template<class T>
struct Answered<Result<T>> {
    using Type = Result<T>;
};
} // namespace detail

/// All functions may be called from any thread.
class LibraryThread {
public:
    /// Takes what is to be called over to the thread of whoever asked. Must not call it at once.
    using Deliver = std::function<void(std::function<void()>)>;
    /// A Result<T> of what the work returns, whether that is T, nothing or a Result<T> itself.
    template<class Work>
    using Answer = typename detail::Answered<std::invoke_result_t<Work&, Store&>>::Type;

    /// `troubled` is delivered whenever trouble() is another. `retry`: how long until a failed write is tried
    /// again by itself.
    LibraryThread(Path file, Deliver deliver, std::function<void()> troubled = {},
                  std::chrono::milliseconds retry = std::chrono::seconds(5));
    /// Waits until all is done; what fails now is tried once more and then given up.
    ~LibraryThread();
    LibraryThread(const LibraryThread&) = delete;
    LibraryThread& operator=(const LibraryThread&) = delete;

    /// Asks for something without changing anything. `then` is delivered with the answer, always and once.
    template<class Work, class Then>
    void read(Work work, Then then) {
        post(false, task(std::move(work), std::move(then)));
    }
    /// Changes something: kept and tried again where the disk is what fails. `then` is delivered once, when
    /// it was written; or with an Error, when it can never be (what it asks for makes no sense, or the
    /// library could not be opened).
    template<class Work, class Then>
    void write(Work work, Then then) {
        post(true, task(std::move(work), std::move(then)));
    }

    /// nullopt while all is well.
    std::optional<LibraryTrouble> trouble() const;
    /// Tries at once what failed.
    void retry();
    /// Nothing is being done and nothing waits, but for what cannot be written. What was delivered by then is
    /// on its way.
    bool isIdle() const;
    /// How many tasks it was ever given.
    uint64_t posted() const;
    const Path& file() const { return file_; }

private:
    /// Does it; with nullptr, only says that the library cannot be opened. Returns what is to be delivered.
    using Work = std::function<std::function<void()>(Store*, const Error*)>;
    struct Task {
        bool writes = false;
        Work work;
    };

    template<class W, class Then>
    static Work task(W work, Then then) {
        using R = Answer<W>;
        return [work = std::move(work), then = std::move(then)](Store* store, const Error* error) mutable {
            std::shared_ptr<R> result;
            if (!store)
                result = std::make_shared<R>(*error);
            else if constexpr (std::is_void_v<std::invoke_result_t<W&, Store&>>)
                work(*store), result = std::make_shared<R>(Done{});
            else
                result = std::make_shared<R>(work(*store));
            return [result, then]() mutable { then(std::move(*result)); };
        };
    }
    void post(bool writes, Work work);
    void run();
    /// The first one, while nothing is stuck; else the first that only reads. The mutex is held.
    std::deque<Task>::iterator next();
    void tell();

    Path file_;
    Deliver deliver_;
    std::function<void()> troubled_;
    std::chrono::milliseconds retryAfter_;
    mutable std::mutex mutex_; // guards the following
    std::condition_variable wake_;
    std::deque<Task> tasks_;
    std::optional<Error> stuck_; // why the first write of them failed
    std::chrono::steady_clock::time_point retryAt_;
    uint64_t posted_ = 0;
    bool retryAsked_ = false; // since it was last tried
    bool ending_ = false, working_ = true;
    std::thread thread_; // last: it uses the others
};

} // namespace moorfrost::library
