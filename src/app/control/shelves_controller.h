// SPDX-License-Identifier: GPL-3.0-or-later
// The shelves: the folders that the library lies in.
#pragma once

#include <QObject>

#include "app/control/files_controller.h"
#include "app/control/job_list.h"
#include "app/control/lasting_works.h"
#include "app/control/library_settings.h"
#include "app/control/messages.h"
#include "core/library/absence.h"
#include "core/library/find_again.h"
#include "core/library/moved_shelf.h"

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
    /// Looks for absent files in other folders. Not called where it was stopped or failed, which was said.
    void findAgain(QObject* asker, const std::vector<FileId>& absent, const std::vector<Path>& folders,
                   std::function<void(std::vector<library::FoundAgain>)> then);
    /// The library follows them.
    void follow(const std::vector<library::FoundAgain>& found);
    /// How many of its files stand in that folder as they stood in the shelf.
    void lookAtMoved(QObject* asker, const library::Shelf& shelf, const Path& to,
                     std::function<void(const library::MovedShelf&)> then);
    /// Its folder is that one from now on, and its files are there. No file is touched.
    void move(const library::Shelf& shelf, const Path& to);
    /// The library forgets its files, but for those that are worked on in a batch.
    void remove(int64_t id);
    /// All sound in the folders of these shelves that the library does not know as it is. One at a
    /// time; it goes on after a restart of the program.
    void read(const std::vector<library::Shelf>& which);
    /// Looks what is otherwise in those places of the shelves, quietly: it tells only what was changed by
    /// others. Comes to nothing while a shelf is read.
    void look(const library::Places& places);
    bool isReading() const { return reading_; }
    /// Shelves whose folder is not there, or empty though there were files: their disk may not be mounted.
    const std::set<int64_t>& notThere() const { return notThere_; }
    /// Looks whether their folders are there.
    void lookWhetherThere();
    /// A path as a person would tell it: on a shelf by the name of the shelf, else by its last folders.
    QString placeText(const Path& path) const;

signals:
    void changed();
    /// What is on the shelves may be otherwise.
    void filesChanged();

private:
    /// Stores what was read, and which shelf it stands on.
    std::function<void(std::vector<files::ScannedFile>&&)> storing();
    /// What of these is not there is marked; what was moved by others is followed. `changed`: so many files
    /// were new or otherwise.
    void lookForAbsent(const std::vector<library::Shelf>& which, const library::Places& places,
                       int changed = 0);
    void tellAbsence(const library::AbsenceLook& look, int changed, bool quiet);
    void takeThere(const std::set<int64_t>& looked, const std::vector<int64_t>& notThere);
    void take(const Result<std::vector<library::Shelf>>& shelves);

    LibraryAccess& library_;
    LibrarySettings& settings_;
    LastingWorks& lasting_;
    JobList& jobs_;
    Messages& messages_;
    std::vector<library::Shelf> shelves_;
    std::set<int64_t> notThere_;
    bool reading_ = false;
};

} // namespace moorfrost::app
