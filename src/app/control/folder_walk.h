// SPDX-License-Identifier: GPL-3.0-or-later
// Folder by folder: the folders below a place that hold sound, and the files of the one in sight, looked at
// without a batch. Drafts that are made of them stay, whatever folder is in sight.
#pragma once

#include <QObject>
#include <QTimer>

#include <map>
#include <set>
#include <stop_token>

#include "app/control/drafts_controller.h"
#include "app/control/job_list.h"
#include "app/control/library_access.h"
#include "app/control/messages.h"

namespace moorfrost::app {

class FolderWalk : public QObject {
    Q_OBJECT
public:
    FolderWalk(LibraryAccess& library, FilesController& files, DraftsController& drafts, JobList& jobs,
               Messages& messages);

    /// Looks for the folders; the first one comes in sight as soon as it is found.
    void begin(const Path& root);
    void end();
    bool isOn() const { return !root_.empty(); }
    /// Folders are still being looked for.
    bool isLooking() const { return looking_; }
    /// The files of the folder in sight are still being read.
    bool isReading() const { return reading_; }
    const Path& root() const { return root_; }
    /// Those found so far, each before those in it.
    const std::vector<Path>& folders() const { return folders_; }
    /// Of folders(), the one in sight; -1: none.
    int current() const;
    void show(int folder);
    /// The next one, or the one before; says so where there is none.
    void step(int by);
    /// Of the folder in sight, by name.
    const std::vector<FileId>& files() const { return files_; }
    /// How many files in each folder have drafts.
    std::map<Path, int> drafted() const;

signals:
    /// Whether it is on, which folders there are, or which one is in sight.
    void changed();
    void filesChanged();

private:
    void find(const std::vector<Path>& folders, uint64_t walk);
    void take(const Path& folder, uint64_t shown, library::WorkRows rows);
    void follow(const bench::Changes& changes);

    LibraryAccess& library_;
    FilesController& files_controller_;
    DraftsController& drafts_;
    JobList& jobs_;
    Messages& messages_;
    Path root_, folder_;
    std::vector<Path> folders_;
    std::vector<FileId> files_;
    std::set<FileId> seen_; // of all folders: what was done with them can be undone
    bool looking_ = false, reading_ = false;
    uint64_t walk_ = 0;  // the place looked through: what comes of others is too late
    uint64_t shown_ = 0; // the same for the folder in sight
    std::stop_source others_;
    QTimer counting_{this}; // how many files have drafts is otherwise
};

} // namespace moorfrost::app
