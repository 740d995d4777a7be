// SPDX-License-Identifier: GPL-3.0-or-later
// The simulated reference as a process of this program: started when it is first asked for, on a free port,
// ended with this object. Any thread.
#pragma once

#include <chrono>
#include <mutex>
#include <string>
#include <vector>

#include "core/base/child_process.h"

namespace moorfrost::reference {

class StandinProcess {
public:
    /// `data`: its folder, as moorfrost-demo makes it. `options`: as moorfrost-standin has them.
    explicit StandinProcess(Path data, std::vector<std::string> options = {});
    ~StandinProcess();
    StandinProcess(const StandinProcess&) = delete;
    StandinProcess& operator=(const StandinProcess&) = delete;

    /// Where it answers; it is started if it does not run (any more). Waits until it is ready, at most 20 s.
    Result<std::string> address();
    bool isRunning();

private:
    void end();

    Path data_;
    std::vector<std::string> options_;
    std::mutex mutex_;     // guards the following
    ChildProcess process_; // it ends when its input is closed
    std::string address_;
    int starts_ = 0;
    std::chrono::steady_clock::time_point started_;
};

} // namespace moorfrost::reference
