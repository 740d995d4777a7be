// SPDX-License-Identifier: GPL-3.0-or-later
// Which files are music, speech, idents, effects or tones: what people have confirmed, and what is proposed
// for the files of the batch. Both are kept in the library, not in the files.
#pragma once

#include <QObject>

#include <map>
#include <set>
#include <unordered_map>

#include "app/shell/batch_records.h"
#include "app/shell/job_list.h"
#include "core/library/store_thread.h"
#include "core/matching/kinds.h"

class QMenu;

namespace moorfrost::app {

class Kinds : public QObject {
    Q_OBJECT
public:
    using Proposals = std::map<library::FileId, matching::KindProposal>;

    Kinds(JobList& jobs, library::StoreThread& store) : jobs_(jobs), store_(store) {}

    /// As confirmed; music where nobody said otherwise. Of the files that are worked on.
    matching::Kind of(library::FileId file) const;
    /// For files that wait to be confirmed and do not seem to be music.
    const Proposals& proposals() const { return proposals_; }
    const matching::KindProposal* proposalFor(library::FileId file) const;
    void confirm(const std::map<library::FileId, matching::Kind>& kinds);

    /// What the library keeps.
    struct Kept {
        library::Store::KeptValues confirmed, proposed;
        static Kept of(library::Store& store, const std::vector<library::FileId>& files);
    };
    void take(const Kept& kept);
    /// Of further files.
    void add(const Kept& kept);
    /// Proposes kinds for these files, the ones of the batch: by their words at once, by their sound in a job
    /// where they tell no artist. So many that it would take long only if `however`.
    void look(const Records& files, bool however = false);
    /// Reads the words of a file beforehand, so that look() has less to do.
    void glance(const FilePtr& file) { read(file); }
    /// Files that look() left out since they are so many.
    size_t unheard() const { return unheard_; }

signals:
    /// What is told of these.
    void changed(const std::set<moorfrost::library::FileId>& files);
    /// What was confirmed is in the library now.
    void kept();
    /// It has ended; what was heard is known, but not yet proposed.
    void listened();

private:
    struct Heard { // for the state that the file was in
        files::FileState state;
        matching::KindProposal proposal;
    };
    struct Read {
        FilePtr file;
        std::optional<matching::KindProposal> byWords;
        bool unheard = false; // its sound is to be listened to
        uint32_t weighed = 0; // in which turn of turn_; 0: to be weighed again
    };
    struct Looked {
        BatchRecords::Piece piece;
        std::vector<FilePtr> unheard;
    };
    /// The words of the file, as it is.
    Read& read(const FilePtr& file);
    /// What is proposed for it; true if that has changed.
    bool weigh(Read& read);
    /// What has changed since the last time.
    void weighAll(const BatchRecords& files);
    void weighAgain(library::FileId file);
    size_t countUnheard() const;

    JobList& jobs_;
    library::StoreThread& store_;
    std::map<library::FileId, matching::Kind> confirmed_;
    std::map<library::FileId, Heard> heard_;
    Proposals proposals_;
    std::unordered_map<library::FileId, Read> read_;
    uint32_t turn_ = 1;                // of take()
    std::map<int64_t, Looked> looked_; // at the pieces of which files
    std::set<int64_t> again_;          // pieces in which some are to be weighed again
    bool allAgain_ = false;
    size_t unheard_ = 0;
    bool listening_ = false, stopped_ = false; // ... by hand: not again unasked
};

/// "Speech", in the user's language.
QString kindText(matching::Kind kind);
/// A menu by which these are confirmed to be of a kind.
QMenu* addKindMenu(QMenu& menu, Kinds& kinds, const std::vector<library::FileId>& files);

} // namespace moorfrost::app
