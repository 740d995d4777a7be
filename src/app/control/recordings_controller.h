// SPDX-License-Identifier: GPL-3.0-or-later
// What the library keeps of recordings, changed by people: values, which files are one recording, which of
// them is the best, absent files that are forgotten. Every change is journalled, and can be undone at once.
#pragma once

#include <QObject>

#include <atomic>

#include "app/control/files_controller.h"
#include "app/control/messages.h"
#include "core/library/recordings.h"

namespace moorfrost::app {

class RecordingsController : public QObject {
    Q_OBJECT
public:
    /// `clock`: gives a larger number each time, for all that can be undone.
    RecordingsController(LibraryAccess& library, FilesController& files, Messages& messages,
                         std::function<uint64_t()> clock);

    /// The recording of a file, with all its files. Not called if it cannot be read, which has been said.
    void read(QObject* asker, FileId file, std::function<void(library::RecordingView)> then);

    /// `title`: what the journal and the undo say. `then`: it is in the library, or never will be.
    void keep(const QString& title, const std::string& field, const library::KeptValues& values,
              std::function<void()> then);
    /// 1 to 5; 0: none. A note, a playout number: "" for none.
    void rate(const std::vector<FileId>& files, int rating);
    void note(const std::vector<FileId>& files, const QString& text);
    void setPlayout(const std::vector<FileId>& files, const QString& text);
    void addUse(const std::vector<FileId>& files, const library::Use& use);
    void removeUse(const std::vector<FileId>& files, const library::Use& use);
    void merge(const std::vector<FileId>& files);
    void part(const std::vector<FileId>& files);
    void chooseBest(FileId file, bool chosen);
    void forgetAbsent(const std::vector<FileId>& files);
    /// From the journal: puts back what the change replaced.
    void takeBack(int64_t change);
    /// Files were found to have the same sound: they become one recording.
    void joinSameSound(const std::vector<std::vector<FileId>>& groups, std::function<void()> then);

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
    /// There is something else to undo or redo; `recorded`: a new action of a person.
    void historyChanged(bool recorded);

private:
    using Outcome = library::ChangeOutcome;
    using Work = std::function<Result<Outcome>(library::Store&)>;
    /// The number of a change in the journal: known when the library has made it, which may be after a person
    /// has undone it already. Set on the library's thread, where what is undone waits behind it.
    using ChangeNumber = std::shared_ptr<std::atomic<int64_t>>;
    struct Action {
        ChangeNumber change;
        QString title;
        uint64_t stamp = 0;
    };
    /// The same value for all; says why where it cannot be kept.
    void keepSame(const QString& title, const std::string& field, const std::vector<FileId>& files,
                  const std::string& value);
    /// `title`: of an action that can be undone; "" where it is none.
    void write(Work work, const QString& title, std::function<void(bool done)> then = {});
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
