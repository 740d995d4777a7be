// SPDX-License-Identifier: GPL-3.0-or-later
// What the sound and the front covers of the library's files are worth: measured in the background, file by
// file, once for each state of a file. It goes on where it was after a stop or a restart.
#pragma once

#include <QObject>
#include <QTimer>

#include <vector>

#include "app/control/job_list.h"
#include "app/control/library_index.h"
#include "app/control/unlooked_files.h"
#include "core/library/records.h"

namespace moorfrost::app {

class FileReports : public QObject {
    Q_OBJECT
public:
    FileReports(LibraryAccess& library, LibraryIndex& index, JobList& jobs);

    /// Measures what is on the shelves and was not measured yet: after a while, so that it is not in the way
    /// of what begins.
    void look();
    /// Somebody waits for it: soon.
    void setInSight(bool inSight);
    /// How long it waits then, and otherwise.
    void setPauses(int inSightMs, int otherwiseMs);
    bool isMeasuring() const { return measuring_; }

signals:
    /// Of these more is known than before.
    void measured(const std::vector<moorfrost::library::FileId>& files);
    /// Nothing is left to be measured, or it was stopped.
    void ended();

private:
    void begin();
    void measure(std::vector<library::FileId> files);
    /// From inside the job: keeps it, and tells of it when it is kept.
    void keep(const std::string& field, library::KeptValues&& values);

    LibraryAccess& library_;
    LibraryIndex& index_;
    JobList& jobs_;
    QTimer soon_{this};
    int inSightMs_ = 300, otherwiseMs_ = 15000;
    bool inSight_ = false;
    UnlookedFiles unlooked_;
    bool measuring_ = false, again_ = false, stopped_ = false;
};

} // namespace moorfrost::app
