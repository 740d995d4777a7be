// SPDX-License-Identifier: GPL-3.0-or-later
// The jobs that run, for the job shelf. Work runs on its own thread; what it hands back arrives on the
// interface thread.
#pragma once

#include <QObject>
#include <QTimer>

#include <memory>
#include <vector>

#include "core/work/job.h"

namespace moorfrost::app {

class JobList : public QObject {
    Q_OBJECT
public:
    explicit JobList(QObject* parent = nullptr);
    ~JobList() override;

    /// `finished` is called on the interface thread.
    void start(const QString& title, work::Job::Work work, std::function<void()> finished = {});
    const std::vector<std::unique_ptr<work::Job>>& running() const { return jobs_; }
    bool isIdle() const { return jobs_.empty(); }
    void stopAll();
    /// For the end of the program: nothing of this may run on.
    void stopAndWait();

signals:
    /// About 20 times a second while anything runs, and when the list changes.
    void changed();

private:
    std::vector<std::unique_ptr<work::Job>> jobs_;
    QTimer timer_;
};

} // namespace moorfrost::app
