// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/undo_history.h"

#include "app/shell/text_utils.h"

namespace moorfrost::app {

UndoHistory::UndoHistory(DraftsController& drafts, RecordingsController& recordings)
    : drafts_(drafts), recordings_(recordings) {
    drafts_.session().setRecorded([this] { recordings_.forgetRedo(); });
    connect(&drafts_, &DraftsController::changed, this, &UndoHistory::changed);
    connect(&recordings_, &RecordingsController::historyChanged, this, [this](bool recorded) {
        if (recorded) {
            recordings_.forgetRedo();
            drafts_.session().forgetRedo();
        }
        emit changed();
    });
}

bool UndoHistory::undoesDraft() const {
    return drafts_.session().undoStamp() > recordings_.undoStamp();
}

bool UndoHistory::redoesDraft() const {
    // What was undone last was done first.
    const uint64_t draft = drafts_.session().redoStamp(), other = recordings_.redoStamp();
    return draft != 0 && (other == 0 || draft < other);
}

bool UndoHistory::canUndo() const {
    return drafts_.session().canUndo() || recordings_.undoStamp() != 0;
}

bool UndoHistory::canRedo() const {
    return drafts_.session().canRedo() || recordings_.redoStamp() != 0;
}

QString UndoHistory::undoName() const {
    return undoesDraft() ? qs(drafts_.session().undoName()) : recordings_.undoName();
}

QString UndoHistory::redoName() const {
    return redoesDraft() ? qs(drafts_.session().redoName()) : recordings_.redoName();
}

void UndoHistory::undo() {
    if (undoesDraft())
        drafts_.session().undo();
    else
        recordings_.undo();
}

void UndoHistory::redo() {
    if (redoesDraft())
        drafts_.session().redo();
    else
        recordings_.redo();
}

} // namespace moorfrost::app
