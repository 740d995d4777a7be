// SPDX-License-Identifier: GPL-3.0-or-later
// The jobs that run, for the job shelf. Work runs on its own thread; what it hands back arrives on the
// interface thread.
#pragma once

#include <QObject>
#include <QTimer>

#include <functional>
#include <memory>
#include <optional>
#include <vector>

#include "core/work/job.h"

namespace moorfrost::app {

/// What a job left to be looked at, until it is retried or dismissed.
struct Trouble {
    QString title, detail;
    std::function<void()> retry; // of a write; none: there is only something to know
};

class JobList : public QObject {
    Q_OBJECT
public:
    explicit JobList(QObject* parent = nullptr);
    ~JobList() override;

    /// `finished` is called on the interface thread.
    void start(const QString& title, work::Job::Work work, std::function<void()> finished = {});
    const std::vector<std::unique_ptr<work::Job>>& running() const { return jobs_; }
    bool isIdle() const { return jobs_.empty(); }
    /// One at a time: the last one. Shown on the shelf.
    void setTrouble(std::optional<Trouble> trouble);
    const std::optional<Trouble>& trouble() const { return trouble_; }
    void stopAll();
    /// For the end of the program: nothing of this may run on.
    void stopAndWait();

signals:
    /// About 20 times a second while anything runs, and when the list changes.
    void changed();

private:
    std::vector<std::unique_ptr<work::Job>> jobs_;
    QTimer timer_;
    std::optional<Trouble> trouble_;
};

} // namespace moorfrost::app
