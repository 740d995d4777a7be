// SPDX-License-Identifier: GPL-3.0-or-later
// What lies beside the files of the batch and would go along with them: pictures, notes, logs, by folder.
#pragma once

#include <QObject>

#include <map>
#include <memory>

#include "app/control/batch_controller.h"
#include "core/files/scan.h"

namespace moorfrost::app {

class AlongFiles : public QObject {
    Q_OBJECT
public:
    using Folders = std::map<Path, std::vector<files::OtherFile>>;

    AlongFiles(BatchController& batch, FilesController& files, JobList& jobs)
        : batch_(batch), files_(files), jobs_(jobs) {}

    /// Another when it has changed.
    std::shared_ptr<const Folders> folders() const { return folders_; }
    /// Looks at the disk, in a job.
    void look();

signals:
    void changed();

private:
    BatchController& batch_;
    FilesController& files_;
    JobList& jobs_;
    std::shared_ptr<const Folders> folders_ = std::make_shared<Folders>();
    uint64_t looks_ = 0;
};

} // namespace moorfrost::app
