// SPDX-License-Identifier: GPL-3.0-or-later
// Keeps the library true to what others do in the folders of the shelves: watches them, and has looked at
// what has changed as soon as nothing of ours is being written. Where the system does not let so many folders
// be watched it says so, and all is looked through now and then.
#pragma once

#include <QObject>
#include <QTimer>

#include <memory>

#include "app/control/shelves_controller.h"
#include "core/files/folder_watch.h"

namespace moorfrost::app {

class ShelfWatch : public QObject {
    Q_OBJECT
public:
    /// How soon it tells; for tests shorter.
    static files::FolderWatch::Options options;
    static bool watches; // false: for tests of other matters

    ShelfWatch(ShelvesController& shelves, JobList& jobs, Messages& messages);
    ~ShelfWatch() override;
    /// Begins to watch, and looks once at all that was changed meanwhile.
    void begin();
    bool isWatching() const { return watch_ && !limited_; }

private:
    void follow();
    void take(const files::FolderWatch::Told& told);
    void look();

    ShelvesController& shelves_;
    JobList& jobs_;
    Messages& messages_;
    std::unique_ptr<files::FolderWatch> watch_;
    std::vector<Path> roots_; // that are watched
    library::Places waiting_; // to be looked at
    bool all_ = false, begun_ = false, limited_ = false;
    QTimer soon_, nowAndThen_;
};

} // namespace moorfrost::app
