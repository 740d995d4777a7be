// SPDX-License-Identifier: GPL-3.0-or-later
// What is known of the files that are worked on, and the feed that tells what of it has changed. Any other
// file of the library is read when it is asked for.
#pragma once

#include <QObject>

#include <functional>

#include "app/control/library_access.h"
#include "core/bench/change_feed.h"
#include "core/bench/known_files.h"
#include "core/library/work_rows.h"

namespace moorfrost::app {

using bench::FilePtr;
using library::FileId;

class FilesController : public QObject {
    Q_OBJECT
public:
    explicit FilesController(LibraryAccess& library);

    const bench::KnownFiles& known() const { return known_; }
    /// Of those that are worked on; nullptr for others of the library.
    FilePtr file(FileId id) const { return known_.find(id); }
    std::vector<Path> pathsOf(const std::vector<FileId>& ids) const { return known_.pathsOf(ids); }
    bench::ChangeFeed& feed() { return feed_; }

    /// Any file of the library: at once if it is worked on, else when it was read. nullptr if it is no more.
    void withFile(QObject* asker, FileId id, std::function<void(FilePtr)> then);
    /// From now on these are worked on, so that they can get drafts.
    void takeUp(QObject* asker, const std::vector<FileId>& ids, std::function<void()> then);
    /// Reads what the library knows of these now. Only what has changed is told.
    void readAgain(QObject* asker, const std::vector<FileId>& ids, std::function<void()> then = {});
    /// All that is worked on, where another program may have changed the library. What is as it was is left
    /// alone; that is found out on the library's thread.
    void readAllAgain(QObject* asker, std::function<void()> then = {});
    /// What was read of the library just now.
    void take(library::WorkRows rows);
    /// These are not worked on any more.
    void letGo(const std::vector<FileId>& ids);

signals:
    /// What the library knows of these files, for those who keep a part of it; the feed tells of it then.
    void rowsTaken(const moorfrost::library::WorkRows& rows);
    /// What is known of these is otherwise: as the feed has it, for those who come and go.
    void changed(const std::set<moorfrost::library::FileId>& files);

private:
    LibraryAccess& library_;
    bench::KnownFiles known_;
    bench::ChangeFeed feed_;
};

} // namespace moorfrost::app
