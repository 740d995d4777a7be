// SPDX-License-Identifier: GPL-3.0-or-later
// Writing drafts to files, and taking back what was written. What is written is what was proposed when it was
// asked for: what is edited later waits for the next time.
#pragma once

#include <QObject>

#include <optional>
#include <set>

#include "app/control/batch_controller.h"
#include "app/control/journal_controller.h"
#include "app/control/messages.h"
#include "app/control/places_controller.h"
#include "core/library/writing.h"

namespace moorfrost::app {

class WritingController : public QObject {
    Q_OBJECT
public:
    WritingController(LibraryAccess& library, LibrarySettings& settings, FilesController& files,
                      DraftsController& drafts, BatchController& batch, PlacesController& places,
                      JournalController& journal, JobList& jobs, Messages& messages);

    /// There is something to write, and nothing is being written.
    bool canWrite() const;
    /// The drafts of the files that go with the batch in sight, as they are now. Does nothing unless
    /// canWrite().
    void write(files::HardLinks links = files::HardLinks::Ask, tags::Damage damage = tags::Damage::Refuse);
    /// Files go to the desktop's trash: journalled, and taken back like any other move. `title`: what the
    /// journal says. False, after saying so, while files are being written.
    bool moveToTrash(const QString& title, const std::vector<FilePtr>& files);
    void takeBack(int64_t set, const std::optional<std::set<size_t>>& steps);
    /// What became of the last write, until it was seen.
    const std::optional<files::SetReport>& lastReport() const { return lastReport_; }
    int64_t lastSet() const { return lastSet_; }
    void clearReport();
    /// Reads files that something else has changed. Their drafts stay.
    void readAgain(const std::vector<FileId>& files);

signals:
    void written(); // a write or a take-back has ended, or its report was seen
    /// The first took the place of the others, and is the same recording.
    void replaced(const std::vector<moorfrost::library::FileId>& files);
    /// A crash was put right before something was written.
    void recovered(const moorfrost::library::RecoveryReport& report);

private:
    void endWrite(const QString& title, library::WriteOutcome outcome);
    void endTakeBack(const library::TakeBackOutcome& outcome);
    void takeOver(const std::vector<FileId>& touched, bool all, std::function<void()> then);
    void tellTrouble(const QString& title, const files::SetReport& report);

    LibraryAccess& library_;
    LibrarySettings& settings_;
    FilesController& files_;
    DraftsController& drafts_;
    BatchController& batch_;
    PlacesController& places_;
    JournalController& journal_;
    JobList& jobs_;
    Messages& messages_;
    std::optional<files::SetReport> lastReport_;
    int64_t lastSet_ = 0;
    int ending_ = 0; // writes of which it is being read what became of the files
};

} // namespace moorfrost::app
