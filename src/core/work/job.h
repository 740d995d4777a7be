// SPDX-License-Identifier: GPL-3.0-or-later
// Long work: one thread a job, a stop token, progress. The job itself may use more threads.
#pragma once

#include <atomic>
#include <functional>
#include <memory>
#include <stop_token>
#include <string>
#include <thread>

#include "core/work/progress.h"

namespace moorfrost::work {

/// The thread that calls it works only when nobody else needs the processor, or nearly so, until it ends.
void giveWay();

class Job {
public:
    using Work = std::function<void(std::stop_token, Progress&)>;

    /// Starts at once. `finished` is called last, on the job's thread, also after a stop.
    Job(std::string title, Work work, std::function<void()> finished = {})
        : title_(std::move(title)),
          thread_([this, work = std::move(work), finished = std::move(finished)](std::stop_token s) {
              work(s, progress_);
              done_ = true;
              if (finished)
                  finished();
          }) {}

    const std::string& title() const { return title_; }
    Progress::State progress() const { return progress_.state(); }
    bool isDone() const { return done_; }
    /// Asks the work to end as soon as it is in a clean state; does not wait.
    void stop() { thread_.request_stop(); }
    bool isStopping() const { return thread_.get_stop_token().stop_requested(); }
    void wait() {
        if (thread_.joinable())
            thread_.join();
    }

private:
    std::string title_;
    Progress progress_;
    std::atomic<bool> done_ = false;
    std::jthread thread_; // last: it uses the others
};

} // namespace moorfrost::work
