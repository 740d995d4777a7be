// SPDX-License-Identifier: GPL-3.0-or-later
// Files of the batch whose sound is in the library, or in the batch, once more.
#pragma once

#include <QObject>

#include <map>
#include <set>

#include "app/shell/batch_records.h"
#include "app/shell/job_list.h"
#include "app/shell/library_index.h"
#include "core/library/same_sound.h"
#include "core/library/store_thread.h"

namespace moorfrost::app {

class Copies : public QObject {
    Q_OBJECT
public:
    struct Copy {
        Path path; // of the other one; the first of several
        bool inLibrary = false;
        size_t count = 1; // how many others there are
        bool operator==(const Copy&) const = default;
    };

    Copies(JobList& jobs, LibraryIndex& index, library::StoreThread& store)
        : jobs_(jobs), index_(index), store_(store) {}

    /// nullptr where none is known.
    const Copy* of(library::FileId file) const;
    /// In a job, if the files of the batch are others than last time.
    void look(const Records& files);

signals:
    void changed();
    /// A look has ended; the batch may be another by now.
    void looked();

private:
    JobList& jobs_;
    LibraryIndex& index_;
    library::StoreThread& store_;
    std::map<library::FileId, Copy> copies_;
    Records looked_;                         // at which files; nullptr: at none yet
    bool looking_ = false, stopped_ = false; // ... by hand: not again unasked
};

} // namespace moorfrost::app
