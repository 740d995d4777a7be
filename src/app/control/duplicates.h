// SPDX-License-Identifier: GPL-3.0-or-later
// Files of the batch whose sound is in the library, or in the batch, once more.
#pragma once

#include <QObject>

#include <map>
#include <set>

#include "app/control/files_controller.h"
#include "app/control/job_list.h"
#include "app/control/library_index.h"
#include "core/library/audio_duplicates.h"

namespace moorfrost::app {

class Duplicates : public QObject {
    Q_OBJECT
public:
    struct Other {
        Path path; // of the other one; the first of several
        bool inLibrary = false;
        size_t count = 1; // how many others there are
        bool operator==(const Other&) const = default;
    };
    /// The files of the batch in sight.
    using Batch = std::function<std::vector<FileId>()>;

    Duplicates(LibraryAccess& library, FilesController& files, LibraryIndex& index, JobList& jobs,
               Batch batch);

    /// nullptr where none is known.
    const Other* of(FileId file) const;
    /// In a job, in the background, if files of the batch have changed since the last time.
    void look();

signals:
    void changed();

private:
    LibraryAccess& library_;
    FilesController& files_;
    LibraryIndex& index_;
    JobList& jobs_;
    Batch batch_;
    std::map<FileId, Other> others_;
    bool stale_ = false;                     // files have changed since it was looked at them
    bool looking_ = false, stopped_ = false; // ... by hand: not again unasked
};

} // namespace moorfrost::app
