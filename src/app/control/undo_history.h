// SPDX-License-Identifier: GPL-3.0-or-later
// One order for all that a person can undo at once: drafts, and what the library keeps. What was done last is
// undone first, wherever it was done.
#pragma once

#include <QObject>

#include "app/control/drafts_controller.h"
#include "app/control/kept_changes.h"

namespace moorfrost::app {

class UndoHistory : public QObject {
    Q_OBJECT
public:
    UndoHistory(DraftsController& drafts, KeptChanges& kept);

    bool canUndo() const;
    bool canRedo() const;
    QString undoName() const;
    QString redoName() const;
    void undo();
    void redo();

signals:
    void changed();

private:
    bool undoesDraft() const;
    bool redoesDraft() const;

    DraftsController& drafts_;
    KeptChanges& kept_;
};

} // namespace moorfrost::app
