// SPDX-License-Identifier: GPL-3.0-or-later
// Fixity as a standing job: every night those files are compared that were compared longest ago, as many as
// the plan says, while the program is open; or at once, when somebody asks.
#pragma once

#include <QDate>
#include <QObject>
#include <QTimer>

#include <functional>
#include <optional>
#include <vector>

#include "app/control/job_list.h"
#include "app/control/library_access.h"
#include "app/control/library_settings.h"
#include "app/control/messages.h"
#include "core/library/fixity_plan.h"

namespace moorfrost::app {

class FixityController : public QObject {
    Q_OBJECT
public:
    struct Uses {
        LibraryAccess& library;
        JobList& jobs;
        Messages& messages;
        LibrarySettings& settings;
    };
    explicit FixityController(const Uses& use);

    void load();
    /// Asks the library how it stands.
    void refresh();
    const library::FixityPlan& plan() const { return plan_; }
    void setPlan(const library::FixityPlan& plan);
    /// How the library stands; nullopt: not known yet.
    const std::optional<library::FixityStanding>& standing() const { return standing_; }
    /// Of the last half year and more, the earliest first.
    const std::vector<library::FixityRound>& rounds() const { return rounds_; }
    bool isVerifying() const { return job_ != 0; }
    /// So much as a night has, now.
    void verifyNow();
    void stop();
    /// What was compared last on that day; at most `most`.
    void withDay(QObject* asker, QDate day, std::function<void(std::vector<library::FixityDue>)> then);
    /// The sound that these have now is the right one: it is kept in place of what was.
    void takeAsTheyAre(const std::vector<Path>& files);
    /// What the plan asks for at this time; also called by a timer.
    void lookAt(const QDateTime& now);

    static constexpr size_t most = 2000;
    static constexpr int daysShown = 26 * 7;

signals:
    void changed();
    /// What is known of files is otherwise now.
    void verified();

private:
    void verify(uint64_t bytes, qint64 before, bool asked);
    /// Bytes that were read since then.
    uint64_t readSince(qint64 seconds) const;

    Uses use_;
    QTimer timer_{this};
    library::FixityPlan plan_;
    std::optional<library::FixityStanding> standing_;
    std::vector<library::FixityRound> rounds_;
    work::JobId job_ = 0;
    qint64 leftAlone_ = 0; // the night that somebody stopped: when it began
};

} // namespace moorfrost::app
