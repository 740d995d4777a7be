// SPDX-License-Identifier: GPL-3.0-or-later
// Files of the library that have the same sound as what was ripped, but less of it: offered to be replaced.
#pragma once

#include <QObject>

#include <map>

#include "app/control/recordings_controller.h"
#include "app/control/writing_controller.h"

namespace moorfrost::app {

class WorseFiles : public QObject {
    Q_OBJECT
public:
    struct Worse {
        FilePtr file;
        FileId better = 0; // that was ripped
    };
    WorseFiles(LibraryAccess& library, RecordingsController& recordings, WritingController& writing)
        : library_(library), recordings_(recordings), writing_(writing) {}

    /// Of a disc; none: nothing is offered.
    const std::vector<Worse>& of(int disc) const;
    /// Pairs of what sounds the same: of the library, and ripped. In place of what was offered.
    void look(int disc, const std::vector<std::pair<FileId, FileId>>& pairs);
    void forget(int disc);
    /// They go to the trash; what was kept of them stays with what was ripped. `by`: the disc, for the
    /// journal.
    void replace(int disc, const QString& by);

signals:
    void changed();

private:
    LibraryAccess& library_;
    RecordingsController& recordings_;
    WritingController& writing_;
    std::map<int, std::vector<Worse>> worse_; // by disc
};

} // namespace moorfrost::app
