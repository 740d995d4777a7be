// SPDX-License-Identifier: GPL-3.0-or-later
// Bringing folders and files into a batch: reading what the library does not know as it is. It goes on after
// a restart of the program.
#pragma once

#include <QObject>
#include <QStringList>

#include <set>

#include "app/control/batch_controller.h"
#include "app/control/messages.h"
#include "core/audio/format.h"
#include "core/library/read_folders.h"

namespace moorfrost::app {

class BringIn : public QObject {
    Q_OBJECT
public:
    BringIn(LibraryAccess& library, LibrarySettings& settings, FilesController& files, BatchController& batch,
            JobList& jobs, Messages& messages)
        : library_(library), settings_(settings), files_(files), batch_(batch), jobs_(jobs),
          messages_(messages) {}

    /// Into the batch in sight; into a new one if there is none. `formats`: only sound that is named like
    /// these; none: all.
    void start(const std::vector<Path>& paths, bool subfolders, const std::set<audio::Format>& formats = {});
    QStringList recentFolders() const;

signals:
    /// All of it is in the library and the batch.
    void ended();

private:
    struct Wish {
        std::vector<Path> paths;
        bool subfolders = true;
        std::set<audio::Format> formats;
        int64_t batch = 0;
    };
    void read(const QString& title, const Wish& wish);
    void end(const Wish& wish, const library::FoldersRead& read);
    void remember(const std::vector<Path>& paths);

    LibraryAccess& library_;
    LibrarySettings& settings_;
    FilesController& files_;
    BatchController& batch_;
    JobList& jobs_;
    Messages& messages_;
};

} // namespace moorfrost::app
