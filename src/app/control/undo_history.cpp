// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/undo_history.h"

#include "app/shell/text_utils.h"

namespace moorfrost::app {

UndoHistory::UndoHistory(DraftsController& drafts, KeptChanges& kept) : drafts_(drafts), kept_(kept) {
    drafts_.session().setRecorded([this] { kept_.forgetRedo(); });
    connect(&drafts_, &DraftsController::changed, this, &UndoHistory::changed);
    connect(&kept_, &KeptChanges::historyChanged, this, [this](bool recorded) {
        if (recorded) {
            kept_.forgetRedo();
            drafts_.session().forgetRedo();
        }
        emit changed();
    });
}

bool UndoHistory::undoesDraft() const {
    return drafts_.session().undoStamp() > kept_.undoStamp();
}

bool UndoHistory::redoesDraft() const {
    // What was undone last was done first.
    const uint64_t draft = drafts_.session().redoStamp(), other = kept_.redoStamp();
    return draft != 0 && (other == 0 || draft < other);
}

bool UndoHistory::canUndo() const {
    return drafts_.session().canUndo() || kept_.undoStamp() != 0;
}

bool UndoHistory::canRedo() const {
    return drafts_.session().canRedo() || kept_.redoStamp() != 0;
}

QString UndoHistory::undoName() const {
    return undoesDraft() ? qs(drafts_.session().undoName()) : kept_.undoName();
}

QString UndoHistory::redoName() const {
    return redoesDraft() ? qs(drafts_.session().redoName()) : kept_.redoName();
}

void UndoHistory::undo() {
    if (undoesDraft())
        drafts_.session().undo();
    else
        kept_.undo();
}

void UndoHistory::redo() {
    if (redoesDraft())
        drafts_.session().redo();
    else
        kept_.redo();
}

} // namespace moorfrost::app
