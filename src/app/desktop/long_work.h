// SPDX-License-Identifier: GPL-3.0-or-later
// What the desktop is told of long work: that it ended, while nobody looked; and that the machine is to stay
// awake while files are written or a disc is read. Where the desktop does not listen, nothing comes of it.
#pragma once

#include <QDBusUnixFileDescriptor>
#include <QElapsedTimer>
#include <QObject>
#include <QWidget>

#include <map>

#include "app/control/job_list.h"

namespace moorfrost::app {

class LongWork : public QObject {
    Q_OBJECT
public:
    LongWork(JobList& jobs, QWidget* window);

    /// What takes longer than this is worth a word, milliseconds. For tests.
    void setWorthAWord(int milliseconds) { worthAWord_ = milliseconds; }
    bool keepsAwake() const { return lock_.isValid(); }

private slots:
    void actionInvoked(uint id, const QString& action);

private:
    struct Known {
        QString title;
        QElapsedTimer since;
    };
    void look();
    void tell(const QString& title);
    void stayAwake(bool awake);

    JobList& jobs_;
    QWidget* window_;
    int worthAWord_ = 20'000;
    std::map<work::JobId, Known> known_;
    bool wantsAwake_ = false;
    QDBusUnixFileDescriptor lock_; // of the session manager: awake until it is closed
    uint told_ = 0;                // the notification that is shown, to be replaced by the next
};

} // namespace moorfrost::app
