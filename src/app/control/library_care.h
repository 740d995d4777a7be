// SPDX-License-Identifier: GPL-3.0-or-later
// Keeping the library whole: what a crash left is put right at the start, its file is looked through for
// damage, and once a day a copy of it is made.
#pragma once

#include <QObject>
#include <QTimer>

#include "app/control/job_list.h"
#include "app/control/library_access.h"
#include "app/control/messages.h"
#include "core/library/writing.h"

namespace moorfrost::app {

class LibraryCare : public QObject {
    Q_OBJECT
public:
    LibraryCare(LibraryAccess& library, JobList& jobs, Messages& messages);

    /// Before anything else is asked of the library.
    void recover();
    /// In the background: is it damaged? Makes the daily copy.
    void check();
    /// The same when what is needed at once has been read.
    void checkSoon() { timer_.start(); }
    /// What was found and put right after a crash; empty if nothing was.
    const library::RecoveryReport& recovered() const { return recovered_; }
    void tell(const library::RecoveryReport& report);
    const Path& file() const { return library_.file(); }

signals:
    void interruptionFound(); // recovered() has something to tell
    void damaged(const QString& sentence);

private:
    LibraryAccess& library_;
    JobList& jobs_;
    Messages& messages_;
    library::RecoveryReport recovered_;
    QTimer timer_{this};
    bool cleaned_ = false; // once a run, before anything could be undone
    bool checking_ = false, damageTold_ = false;
};

} // namespace moorfrost::app
