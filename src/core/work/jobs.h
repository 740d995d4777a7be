// SPDX-License-Identifier: GPL-3.0-or-later
// Long work: each job runs on a thread of its own (and may use more), can be stopped, tells how far it is,
// and hands back a result or an error. Jobs that would get into each other's way run one after the other.
#pragma once

#include <functional>
#include <memory>
#include <mutex>
#include <stop_token>
#include <string>
#include <thread>
#include <type_traits>
#include <vector>

#include "core/base/result.h"
#include "core/work/progress.h"

namespace moorfrost::work {

/// The thread that calls it works only when nobody else needs the processor, or nearly so, until it ends.
void giveWay();

using JobId = uint64_t; // 0: none

enum class Priority {
    Asked,      // somebody waits for it
    Background, // nobody does: it gives way to everything else
};

/// What a job needs for itself: jobs that need the same run one after the other, in the order in which they
/// were started.
struct Uses {
    bool writesFiles = false; // files of the user are changed
    bool network = false;     // told, not waited for
    std::string drive = {};   // of discs
    bool conflictsWith(const Uses& other) const {
        return (writesFiles && other.writesFiles) || (!drive.empty() && drive == other.drive);
    }
};

struct JobPlan {
    std::string title; // what is told of it
    Priority priority = Priority::Asked;
    Uses uses = {};
};

/// A job as it is at this moment.
struct JobView {
    JobId id = 0;
    std::string title;
    Priority priority = Priority::Asked;
    Uses uses;
    bool waiting = false;  // for another job that uses the same
    bool stopping = false; // it was asked to stop
    Progress::State progress;
};

/// All functions may be called from any thread.
class Jobs {
public:
    /// Takes what is to be called when a job has ended over to the thread that it is to be called on.
    using Deliver = std::function<void(std::function<void()>)>;

    explicit Jobs(Deliver deliver) : deliver_(std::move(deliver)) {}
    /// Stops all of them and waits. What has not been delivered is dropped.
    ~Jobs();
    Jobs(const Jobs&) = delete;
    Jobs& operator=(const Jobs&) = delete;

    /// `work(std::stop_token, Progress&)` returns a Result<T>; whatever it throws becomes an Error. `then` is
    /// delivered with the result, always and once; for a job that is stopped before it has begun with an
    /// Error of the kind Cancelled. A job that is stopped while it runs says itself what its result is.
    template<class Work, class Then>
    JobId start(JobPlan plan, Work work, Then then) {
        using R = std::invoke_result_t<Work&, std::stop_token, Progress&>;
        return add(std::move(plan), [work = std::move(work), then = std::move(then)](
                                        const std::stop_token* stop, Progress& progress) mutable {
            auto result = std::make_shared<R>(Error{ErrorKind::Cancelled, {}, "It was stopped."});
            if (stop) {
                try {
                    *result = work(*stop, progress);
                } catch (...) {
                    *result = errorOfException();
                }
            }
            if (!*result)
                tellLog(result->error());
            return [result, then = std::move(then)]() mutable { then(std::move(*result)); };
        });
    }

    /// In the order in which they were started.
    std::vector<JobView> list() const;
    bool isIdle() const;
    /// Some job changes files of the user, or waits for its turn.
    bool isWriting() const;
    /// Asks it to end as soon as it is in a clean state; does not wait. Nothing happens if it has ended.
    void stop(JobId id);
    void stopAll();
    /// Nothing of any job runs on after it.
    void stopAndWait();

private:
    /// Runs the work, or with nullptr only says that it never began; what comes back hands over the result.
    using Run = std::function<std::function<void()>(const std::stop_token*, Progress&)>;
    struct Job;

    JobId add(JobPlan plan, Run run);
    static void tellLog(const Error& error);
    /// Those whose turn has come. The mutex is held.
    void begin();
    void runJob(Job& job);
    void end(JobId id, std::function<void()> handOver);

    Deliver deliver_;
    mutable std::mutex mutex_; // guards the following
    std::vector<std::shared_ptr<Job>> jobs_;
    std::vector<std::thread> ended_; // to be joined
    JobId last_ = 0;
    bool closing_ = false;
};

} // namespace moorfrost::work
