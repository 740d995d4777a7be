// SPDX-License-Identifier: GPL-3.0-or-later
// Files from outside that were dropped on a family: they come in by the bench, and when they are there, what
// they are in the family is asked.
#pragma once

#include <QObject>

#include "app/control/batch_controller.h"
#include "app/control/bring_in.h"
#include "app/library/settle_versions.h"

namespace moorfrost::app {

class ArrivingVersions : public QObject {
    Q_OBJECT
public:
    ArrivingVersions(const SettleUses& use, BatchController& batch, BringIn& bringIn, QWidget* window);
    /// They are being brought in.
    void expect(FileId into, const std::vector<Path>& paths);

private:
    void come();

    SettleUses use_;
    BatchController& batch_;
    QWidget* window_;
    FileId into_ = 0;
    std::vector<Path> paths_;
};

} // namespace moorfrost::app
