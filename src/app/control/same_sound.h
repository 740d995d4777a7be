// SPDX-License-Identifier: GPL-3.0-or-later
// In the background: files that came to a shelf are compared with what stands on the shelves, and become one
// recording with those that have the same sound. What was compared is noted, so a stop or the end of the
// program costs nothing but the rest.
#pragma once

#include <QObject>

#include "app/control/job_list.h"
#include "app/control/library_index.h"
#include "app/control/recordings_controller.h"

namespace moorfrost::app {

class SameSound : public QObject {
    Q_OBJECT
public:
    SameSound(LibraryAccess& library, RecordingsController& recordings, LibraryIndex& index, JobList& jobs);

    /// Looks whether there is something to compare, and does it.
    void look();

private:
    void compare(std::vector<FileId> files);

    LibraryAccess& library_;
    RecordingsController& recordings_;
    LibraryIndex& index_;
    JobList& jobs_;
    bool looking_ = false;
    bool stopped_ = false; // by a person, or the library has trouble: not again in this run
};

} // namespace moorfrost::app
