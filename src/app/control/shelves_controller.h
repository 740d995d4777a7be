// SPDX-License-Identifier: GPL-3.0-or-later
// The shelves: the folders that the library lies in.
#pragma once

#include <QObject>

#include "app/control/files_controller.h"
#include "app/control/job_list.h"
#include "app/control/lasting_works.h"
#include "app/control/library_settings.h"
#include "app/control/messages.h"

namespace moorfrost::app {

class ShelvesController : public QObject {
    Q_OBJECT
public:
    ShelvesController(LibraryAccess& library, LibrarySettings& settings, LastingWorks& lasting, JobList& jobs,
                      Messages& messages);

    /// Reads which there are.
    void load();
    const std::vector<library::Shelf>& all() const { return shelves_; }
    void add(const QString& name, const Path& path);
    void rename(int64_t id, const QString& name);
    /// The library forgets its files, but for those that are worked on in a batch.
    void remove(int64_t id);
    /// All sound in the folders of these shelves that the library does not know as it is. One at a
    /// time; it goes on after a restart of the program.
    void read(const std::vector<library::Shelf>& which);
    /// A path as a person would tell it: on a shelf by the name of the shelf, else by its last folders.
    QString placeText(const Path& path) const;

signals:
    void changed();
    /// What is on the shelves may be otherwise.
    void filesChanged();

private:
    /// What of these is not there is marked; what was moved by others is followed.
    void lookForAbsent(const std::vector<library::Shelf>& which);
    void take(const Result<std::vector<library::Shelf>>& shelves);

    LibraryAccess& library_;
    LibrarySettings& settings_;
    LastingWorks& lasting_;
    JobList& jobs_;
    Messages& messages_;
    std::vector<library::Shelf> shelves_;
    bool reading_ = false;
};

} // namespace moorfrost::app
