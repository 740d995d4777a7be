// SPDX-License-Identifier: GPL-3.0-or-later
// Bringing folders and files into a batch: reading what the library does not know as it is. It goes on after
// a restart of the program.
#pragma once

#include <QObject>
#include <QStringList>

#include <optional>
#include <set>

#include "app/control/batch_controller.h"
#include "app/control/lasting_works.h"
#include "app/control/messages.h"
#include "core/audio/format.h"
#include "core/library/read_folders.h"

namespace moorfrost::app {

class BringIn : public QObject {
    Q_OBJECT
public:
    BringIn(LibraryAccess& library, LibrarySettings& settings, FilesController& files, BatchController& batch,
            LastingWorks& lasting, JobList& jobs, Messages& messages);

    /// Into the batch in sight; into a new one if there is none. `formats`: only sound that is named like
    /// these; none: all.
    void start(const std::vector<Path>& paths, bool subfolders, const std::set<audio::Format>& formats = {});
    QStringList recentFolders() const;

signals:
    /// These were asked for.
    void begun(const std::vector<Path>& paths);
    /// All of it is in the library and the batch.
    void ended();

private:
    struct Wish {
        std::vector<Path> paths;
        bool subfolders = true;
        std::set<audio::Format> formats;
        int64_t batch = 0;
        std::string toText() const;
        static std::optional<Wish> fromText(const std::string& text);
    };
    static QString titleOf(const std::vector<Path>& paths);
    void read(const Wish& wish);
    void end(const Wish& wish, const library::FoldersRead& read);
    void remember(const std::vector<Path>& paths);

    LibraryAccess& library_;
    LibrarySettings& settings_;
    FilesController& files_;
    BatchController& batch_;
    LastingWorks& lasting_;
    JobList& jobs_;
    Messages& messages_;
};

} // namespace moorfrost::app
