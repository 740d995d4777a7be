// SPDX-License-Identifier: GPL-3.0-or-later
// By how many samples each drive gives what it reads too late: found with a disc of which others have read
// the same, or entered. Kept as settings of the person.
#pragma once

#include <QObject>

#include <optional>

#include "app/control/discs_controller.h"

namespace moorfrost::app {

struct KnownOffset {
    int samples = 0;
    QString from; // the disc that it was found with; "": entered by hand
};

class DriveOffsets : public QObject {
    Q_OBJECT
public:
    DriveOffsets(DiscsController& discs, JobList& jobs, Messages& messages)
        : discs_(discs), jobs_(jobs), messages_(messages) {}

    /// nullopt: not known.
    static std::optional<KnownOffset> of(const DiscsController::Disc& disc);
    void remember(const DiscsController::Disc& disc, const KnownOffset& offset);
    /// Whether the answer that is chosen tells what others have read, and the drive has nothing else to do.
    bool canFind(int disc) const;
    void find(int disc);

signals:
    void changed();

private:
    void keep(const QString& drive, const KnownOffset& offset);

    DiscsController& discs_;
    JobList& jobs_;
    Messages& messages_;
};

} // namespace moorfrost::app
