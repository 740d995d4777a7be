// SPDX-License-Identifier: GPL-3.0-or-later
// The same work for many things, on all processors.
#pragma once

#include <algorithm>
#include <atomic>
#include <cstddef>
#include <exception>
#include <mutex>
#include <thread>
#include <vector>

namespace moorfrost::work {

/// As many threads as `wanted`; 0: as there are processors, at most 8.
inline unsigned threadsFor(unsigned wanted) {
    return wanted > 0 ? wanted : std::min(8u, std::max(1u, std::thread::hardware_concurrency()));
}

/// For what goes on in the background for hours: the other half is left to whoever works.
inline unsigned halfOfProcessors() {
    return std::clamp(std::thread::hardware_concurrency() / 2, 1u, 4u);
}

/// Calls `each(i)` for 0 <= i < count, in rising order of beginning, from up to `threads` threads (0: as many
/// as there are processors, at most 8), this one included. Returns when all are done; the first exception is
/// thrown on here.
template<class Each>
void inParallel(size_t count, Each&& each, unsigned threads = 0) {
    threads = threadsFor(threads);
    std::atomic<size_t> next = 0;
    std::exception_ptr trouble;
    std::mutex mutex;
    auto work = [&] {
        try {
            for (size_t i = next++; i < count; i = next++)
                each(i);
        } catch (...) {
            std::lock_guard lock(mutex);
            if (!trouble)
                trouble = std::current_exception();
            next = count;
        }
    };
    {
        std::vector<std::jthread> pool;
        for (unsigned t = 1; t < threads && t < count; ++t)
            pool.emplace_back(work);
        work();
    }
    if (trouble)
        std::rethrow_exception(trouble);
}

} // namespace moorfrost::work
