// SPDX-License-Identifier: GPL-3.0-or-later
// What the benchmarks measure with.
#pragma once

#include <time.h>

#include <algorithm>
#include <chrono>
#include <cstdio>
#include <cstdlib>
#include <fstream>
#include <string>
#include <vector>

namespace moorfrost::bench {

template<class Work>
double milliseconds(Work&& work) {
    auto start = std::chrono::steady_clock::now();
    work();
    return std::chrono::duration<double, std::milli>(std::chrono::steady_clock::now() - start).count();
}

/// Milliseconds that this thread has had a processor: unlike the clock it leaves out what others do
/// meanwhile.
inline double processorTime() {
    timespec now{};
    ::clock_gettime(CLOCK_THREAD_CPUTIME_ID, &now);
    return static_cast<double>(now.tv_sec) * 1e3 + static_cast<double>(now.tv_nsec) / 1e6;
}

/// In MB. `what`: "VmRSS:" for now, "VmHWM:" for the most so far.
inline double memoryInUse(const char* what) {
    std::ifstream status("/proc/self/status");
    for (std::string line; std::getline(status, line);)
        if (line.starts_with(what))
            return std::strtod(line.c_str() + std::string(what).size() + 1, nullptr) / 1024;
    return 0;
}

/// Of many turns: in the middle, of all but the slowest twentieth, the slowest.
class Times {
public:
    void add(double ms) { all_.push_back(ms); }
    std::string shown() {
        std::sort(all_.begin(), all_.end());
        auto at = [&](size_t percent) {
            return all_[std::min(all_.size() - 1, all_.size() * percent / 100)];
        };
        char text[80];
        std::snprintf(text, sizeof text, "p50 %6.1f, p95 %6.1f, most %6.1f ms", at(50), at(95), all_.back());
        return text;
    }

private:
    std::vector<double> all_;
};

} // namespace moorfrost::bench
