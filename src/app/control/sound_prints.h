// SPDX-License-Identifier: GPL-3.0-or-later
// What files sound like: the library is listened to in the background, file by file, and goes on where it was
// after a stop or a restart; single files are listened to when somebody asks.
#pragma once

#include <QObject>

#include <functional>
#include <memory>
#include <vector>

#include "app/control/files_controller.h"
#include "app/control/job_list.h"
#include "app/control/library_index.h"
#include "app/control/unlooked_files.h"
#include "core/library/sound_prints.h"
#include "core/matching/listening.h"

namespace moorfrost::app {

class SoundPrints : public QObject {
    Q_OBJECT
public:
    SoundPrints(LibraryAccess& library, LibraryIndex& index, FilesController& files, JobList& jobs);

    const std::shared_ptr<sound::SoundStore>& store() const { return store_; }
    /// `then` gets what tells fingerprints of these files inside jobs: kept ones, else heard now and kept.
    void prepare(QObject* asker, const std::vector<FileId>& files,
                 std::function<void(matching::PrintsOf)> then);
    /// Listens to what is on the shelves and was not heard yet, in the background.
    void look();
    bool isListening() const { return listening_; }

signals:
    /// More is known than before.
    void heard();

private:
    void listen(std::vector<FileId> files);
    void ended(const Result<size_t>& files);

    LibraryAccess& library_;
    LibraryIndex& index_;
    FilesController& files_;
    JobList& jobs_;
    std::shared_ptr<sound::SoundStore> store_;
    UnlookedFiles unlooked_;
    bool listening_ = false, again_ = false, stopped_ = false;
    bool cleaned_ = false; // what the library does not know was forgotten
};

} // namespace moorfrost::app
