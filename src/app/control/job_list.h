// SPDX-License-Identifier: GPL-3.0-or-later
// The jobs that run, for the job shelf and for whoever starts one. Lives on the interface thread; work runs
// on threads of its own, and its result arrives on the interface thread.
#pragma once

#include <QObject>
#include <QPointer>
#include <QTimer>

#include <functional>
#include <optional>
#include <vector>

#include "core/work/jobs.h"

namespace moorfrost::app {

/// What is left to be looked at, until it is retried or dismissed.
struct Trouble {
    QString title, detail;
    std::function<void()> retry; // of a write; none: there is only something to know
};

class JobList : public QObject {
    Q_OBJECT
public:
    explicit JobList(QObject* parent = nullptr);
    ~JobList() override;

    /// `work(std::stop_token, work::Progress&)` returns a Result<T>; what it throws becomes an Error.
    /// `then(Result<T>)` is called when it has ended, however it did, unless `asker` is no more.
    template<class Work, class Then>
    work::JobId start(QObject* asker, work::JobPlan plan, Work work, Then then) {
        ++undelivered_;
        const work::JobId id = jobs_.start(
            std::move(plan), std::move(work),
            [this, asker = QPointer<QObject>(asker), then = std::move(then)](auto result) mutable {
                ended();
                if (asker)
                    then(std::move(result));
                emit changed();
            });
        begun();
        return id;
    }

    std::vector<work::JobView> list() const { return jobs_.list(); }
    /// Nothing runs, and all that ended has arrived.
    bool isIdle() const { return undelivered_ == 0; }
    /// Files of the user are being changed, or wait to be.
    bool isWriting() const { return jobs_.isWriting(); }
    void stop(work::JobId id) { jobs_.stop(id); }
    void stopAll() { jobs_.stopAll(); }
    /// For the end of the program: nothing of this may run on, nothing arrives any more.
    void stopAndWait() { jobs_.stopAndWait(); }
    /// One at a time: the last one. Shown on the shelf.
    void setTrouble(std::optional<Trouble> trouble);
    const std::optional<Trouble>& trouble() const { return trouble_; }

signals:
    /// About 20 times a second while anything runs, and when the list changes.
    void changed();

private:
    void begun();
    void ended();

    QTimer timer_{this};
    std::optional<Trouble> trouble_;
    size_t undelivered_ = 0;
    work::Jobs jobs_; // last: what it delivers uses the others
};

} // namespace moorfrost::app
