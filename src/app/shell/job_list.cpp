// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/job_list.h"

#include <algorithm>

#include "app/shell/text_utils.h"

namespace moorfrost::app {

JobList::JobList(QObject* parent) : QObject(parent) {
    timer_.setInterval(50);
    connect(&timer_, &QTimer::timeout, this, &JobList::changed);
}

JobList::~JobList() {
    stopAndWait();
}

void JobList::start(const QString& title, work::Job::Work work, std::function<void()> finished) {
    auto id = std::make_shared<work::Job*>(nullptr);
    auto done = [this, id, finished = std::move(finished)] {
        QMetaObject::invokeMethod(
            this,
            [this, id, finished] {
                std::erase_if(jobs_, [&](const auto& job) { return job.get() == *id; });
                if (jobs_.empty())
                    timer_.stop();
                if (finished)
                    finished();
                emit changed();
            },
            Qt::QueuedConnection);
    };
    jobs_.push_back(std::make_unique<work::Job>(ss(title), std::move(work), std::move(done)));
    *id = jobs_.back().get();
    timer_.start();
    emit changed();
}

void JobList::setTrouble(std::optional<Trouble> trouble) {
    trouble_ = std::move(trouble);
    emit changed();
}

void JobList::stopAndWait() {
    stopAll();
    for (auto& job : jobs_)
        job->wait();
}

void JobList::stopAll() {
    for (auto& job : jobs_)
        job->stop();
}

} // namespace moorfrost::app
