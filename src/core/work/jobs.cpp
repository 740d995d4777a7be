// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/work/jobs.h"

#include <algorithm>

#include <sys/resource.h>
#include <unistd.h>

#include "core/base/log.h"

namespace moorfrost::work {

void giveWay() {
    constexpr int politeness = 10;
    ::setpriority(PRIO_PROCESS, static_cast<id_t>(::gettid()), politeness); // of this thread, on Linux
}

struct Jobs::Job {
    JobId id = 0;
    JobPlan plan;
    Run run;
    Progress progress;
    std::stop_source stop;
    bool begun = false;
    std::thread thread;
};

Jobs::~Jobs() {
    stopAndWait();
}

void Jobs::tellLog(const Error& error) {
    if (error.kind != ErrorKind::Cancelled)
        log::warning(log::About::Job, "failed: {}", error.message);
}

JobId Jobs::add(JobPlan plan, Run run) {
    std::lock_guard lock(mutex_);
    auto job = std::make_shared<Job>();
    job->id = ++last_;
    job->plan = std::move(plan);
    job->run = std::move(run);
    if (closing_)
        job->stop.request_stop();
    jobs_.push_back(job);
    begin();
    return job->id;
}

void Jobs::begin() {
    for (size_t i = 0; i < jobs_.size(); ++i) {
        Job& job = *jobs_[i];
        const bool mustWait =
            std::any_of(jobs_.begin(), jobs_.begin() + static_cast<std::ptrdiff_t>(i),
                        [&](const auto& earlier) { return job.plan.uses.conflictsWith(earlier->plan.uses); });
        // What is to be stopped need not wait: it does nothing.
        if (job.begun || (mustWait && !job.stop.stop_requested()))
            continue;
        job.begun = true;
        job.thread = std::thread([this, &job] { runJob(job); });
    }
}

void Jobs::runJob(Job& job) {
    if (job.plan.priority == Priority::Background)
        giveWay();
    log::debug(log::About::Job, "{} \"{}\" begins", job.id, job.plan.title);
    const std::stop_token stop = job.stop.get_token();
    std::function<void()> handOver = job.run(stop.stop_requested() ? nullptr : &stop, job.progress);
    log::debug(log::About::Job, "{} \"{}\" has ended", job.id, job.plan.title);
    job.run = nullptr; // what it holds is given back before its end is told
    end(job.id, std::move(handOver));
}

void Jobs::end(JobId id, std::function<void()> handOver) {
    std::vector<std::thread> ended;
    {
        std::lock_guard lock(mutex_);
        if (closing_) // it is waited for, and nobody wants to know
            return;
        ended.swap(ended_);
        auto it = std::find_if(jobs_.begin(), jobs_.end(), [&](const auto& job) { return job->id == id; });
        ended_.push_back(std::move((*it)->thread));
        jobs_.erase(it);
        begin();
    }
    deliver_(std::move(handOver));
    for (std::thread& thread : ended)
        thread.join();
}

std::vector<JobView> Jobs::list() const {
    std::lock_guard lock(mutex_);
    std::vector<JobView> out;
    for (const auto& job : jobs_)
        out.push_back({job->id, job->plan.title, job->plan.priority, job->plan.uses, !job->begun,
                       job->stop.stop_requested(), job->progress.state()});
    return out;
}

bool Jobs::isIdle() const {
    std::lock_guard lock(mutex_);
    return jobs_.empty();
}

bool Jobs::isWriting() const {
    std::lock_guard lock(mutex_);
    return std::any_of(jobs_.begin(), jobs_.end(),
                       [](const auto& job) { return job->plan.uses.writesFiles; });
}

void Jobs::stop(JobId id) {
    std::lock_guard lock(mutex_);
    for (const auto& job : jobs_)
        if (job->id == id)
            job->stop.request_stop();
    begin();
}

void Jobs::stopAll() {
    std::lock_guard lock(mutex_);
    for (const auto& job : jobs_)
        job->stop.request_stop();
    begin();
}

void Jobs::stopAndWait() {
    std::vector<std::shared_ptr<Job>> running;
    std::vector<std::thread> ended;
    {
        std::lock_guard lock(mutex_);
        closing_ = true;
        for (const auto& job : jobs_)
            job->stop.request_stop();
        begin();
        running = jobs_;
    }
    for (const auto& job : running)
        if (job->thread.joinable())
            job->thread.join();
    {
        std::lock_guard lock(mutex_);
        jobs_.clear();
        ended.swap(ended_);
    }
    for (std::thread& thread : ended)
        thread.join();
}

} // namespace moorfrost::work
