// SPDX-License-Identifier: GPL-3.0-or-later
// Changes of what the library keeps (of recordings, of collections): made by the library, journalled there,
// and undone and done again by a person in the order in which they were made.
#pragma once

#include <QObject>

#include <atomic>

#include "app/control/files_controller.h"
#include "app/control/messages.h"
#include "core/library/kept_change.h"

namespace moorfrost::app {

class KeptChanges : public QObject {
    Q_OBJECT
public:
    using Outcome = library::ChangeOutcome;
    using Work = std::function<Result<Outcome>(library::Store&)>;

    /// `clock`: gives a larger number each time, for all that can be undone.
    KeptChanges(LibraryAccess& library, FilesController& files, Messages& messages,
                std::function<uint64_t()> clock);

    /// `title`: of an action that can be undone, as the undo says it; "" where it is none. `then`: it is in
    /// the library, or never will be.
    void make(Work work, const QString& title, std::function<void(bool done)> then = {});
    /// From the journal: puts back what the change replaced.
    void takeBack(int64_t change);

    // Undo and redo, as DraftSession has them.
    uint64_t undoStamp() const { return undo_.empty() ? 0 : undo_.back().stamp; }
    uint64_t redoStamp() const { return redo_.empty() ? 0 : redo_.back().stamp; }
    QString undoName() const { return undo_.empty() ? QString() : undo_.back().title; }
    QString redoName() const { return redo_.empty() ? QString() : redo_.back().title; }
    void undo();
    void redo();
    void forgetRedo();

signals:
    /// Something else is kept: of these files among others.
    void changed(const std::vector<moorfrost::library::FileId>& files);
    void collectionsChanged();
    void releasesChanged();
    void cardsChanged();
    /// There is something else to undo or redo; `recorded`: a new action of a person.
    void historyChanged(bool recorded);

private:
    /// The number of a change in the journal: known when the library has made it, which may be after a person
    /// has undone it already. Set on the library's thread, where what is undone waits behind it.
    using ChangeNumber = std::shared_ptr<std::atomic<int64_t>>;
    struct Action {
        ChangeNumber change;
        QString title;
        uint64_t stamp = 0;
    };
    /// Moves the last action over, and does it the other way.
    void turn(std::vector<Action>& from, std::vector<Action>& to,
              Result<Outcome> (*how)(library::Store&, int64_t));
    void follow(const Outcome& outcome);
    /// It is no action after all: nothing was changed, or it was taken back from the journal.
    void dropActions(const std::function<bool(const Action&)>& which);

    LibraryAccess& library_;
    FilesController& files_;
    Messages& messages_;
    std::function<uint64_t()> clock_;
    std::vector<Action> undo_, redo_;
};

} // namespace moorfrost::app
