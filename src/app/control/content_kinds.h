// SPDX-License-Identifier: GPL-3.0-or-later
// Which files are music, speech, idents, effects or tones: what people have confirmed, and what is proposed
// for the files of the batch. Both are kept in the library, not in the files: what was confirmed of the
// recording.
#pragma once

#include <QObject>

#include <map>
#include <set>
#include <unordered_map>

#include "app/control/files_controller.h"
#include "app/control/job_list.h"
#include "app/control/recordings_controller.h"
#include "core/matching/content_kinds.h"

class QMenu;

namespace moorfrost::app {

class ContentKinds : public QObject {
    Q_OBJECT
public:
    using Proposals = std::map<FileId, matching::KindProposal>;
    /// Tells the files that proposals are made for: those of the batch in sight.
    using InBatch = std::function<bool(FileId)>;

    ContentKinds(LibraryAccess& library, FilesController& files, RecordingsController& recordings,
                 JobList& jobs, InBatch inBatch);

    /// As confirmed; music where nobody said otherwise. Of the files that are worked on.
    matching::ContentKind of(FileId file) const;
    /// For files that wait to be confirmed and do not seem to be music.
    const Proposals& proposals() const { return proposals_; }
    const matching::KindProposal* proposalFor(FileId file) const;
    void confirm(const std::map<FileId, matching::ContentKind>& kinds);

    /// Listens to the files of the batch of which words tell nothing, in the background. Unless asked for,
    /// not to so many that it would take long, and not again after it was stopped.
    void listen(bool asked = false);
    /// Files that it listens to only if it is asked to.
    size_t unheard() const;

signals:
    /// What is told of some files.
    void changed();

private:
    struct Heard { // for the state that the file was in
        files::FileState state;
        matching::KindProposal proposal;
    };
    void takeRows(const library::WorkRows& rows);
    void takeHeard(const std::map<FileId, Heard>& heard);
    /// What is proposed for it; true if that has changed.
    bool weigh(FileId file);
    void weighAll(const std::set<FileId>& files);
    void forgetProposals();

    LibraryAccess& library_;
    FilesController& files_;
    RecordingsController& recordings_;
    JobList& jobs_;
    InBatch inBatch_;
    std::unordered_map<FileId, matching::ContentKind> confirmed_;
    std::unordered_map<FileId, int> beingKept_; // confirmed, and on their way to the library: how often
    std::unordered_map<FileId, Heard> heard_;
    Proposals proposals_;
    std::set<FileId> unheard_;
    work::JobId listening_ = 0;
    bool stopped_ = false; // by hand: not again unasked
};

/// "Speech", in the user's language.
QString kindText(matching::ContentKind kind);
/// A menu by which these are confirmed to be of a kind.
QMenu* addKindMenu(QMenu& menu, ContentKinds& kinds, const std::vector<FileId>& files);

} // namespace moorfrost::app
