// SPDX-License-Identifier: GPL-3.0-or-later
// The batches, the one in sight, and what is done with its files as a whole: which sleeve they are in, taking
// them out, sorting them. What is done is in the library at once.
#pragma once

#include <QObject>

#include <functional>

#include "app/control/drafts_controller.h"
#include "app/control/job_list.h"
#include "app/control/library_settings.h"
#include "app/control/standards.h"
#include "core/bench/batch.h"

namespace moorfrost::app {

class BatchController : public QObject {
    Q_OBJECT
public:
    BatchController(LibraryAccess& library, LibrarySettings& settings, FilesController& files,
                    DraftsController& drafts, Standards& standards, JobList& jobs);

    /// The batch that was in sight last; `loaded` follows.
    void load();
    const std::vector<library::Batch>& all() const { return batches_; }
    int64_t id() const { return batch_.id(); } // of the one in sight, 0: none
    QString name() const;
    QString note() const;
    const bench::Batch& batch() const { return batch_; }
    /// For those who show what is touched in it.
    bench::Batch& batch() { return batch_; }
    /// Brings another in sight; what is in sight stays until it was read.
    void choose(int64_t id);
    /// A new one, with nothing in it, in sight.
    void create(const QString& name, std::function<void()> then = {});
    void describe(const QString& name, const QString& note);
    /// Where its files were brought in from.
    void readOrigins(QObject* asker, std::function<void(std::vector<library::BatchOrigin>)> then);
    /// The one in sight is gone, with the drafts of its files.
    void forget();

    /// Files that have come into the batch, or were read again.
    void add(library::WorkRows rows);
    void removeFiles(const std::vector<FileId>& files);
    /// Files of the library; into the batch in sight, or a new one if there is none.
    void send(const std::vector<FileId>& files, std::function<void()> then);

    // By hand; these stay until letSort().
    void putIntoSleeve(const std::vector<FileId>& files, const std::string& key); // "": strays
    void newSleeve(const std::vector<FileId>& files, const QString& name);
    void mergeSleeves(const std::vector<std::string>& keys);
    void splitSleeve(const std::string& key, bench::SplitBy by, const QString& title);
    void nameSleeve(const std::string& key, const QString& name);
    void undoByHand();
    void letSort(const std::vector<FileId>& files);
    /// All of it anew, drafts included; what was put together by hand stays.
    void sortAnew();

signals:
    void loaded();
    /// Which batches there are, what they are called, or which is in sight.
    void changed();
    /// Sleeves of the batch (bench::Batch::isTouched).
    void touched();
    /// Files came into it or left it, other than by bringing in.
    void membersChanged();

private:
    void show(int64_t id, std::function<void()> then = {});
    void take(library::BatchContents contents);
    void takeRows(const library::WorkRows& rows);
    void sort();

    LibraryAccess& library_;
    LibrarySettings& settings_;
    FilesController& files_;
    DraftsController& drafts_;
    Standards& standards_;
    JobList& jobs_;
    bench::Batch batch_;
    std::vector<library::Batch> batches_;
    int64_t wanted_ = 0;         // in sight, or being read to come in sight
    uint64_t shows_ = 0;         // how often one was asked for: the last one counts
    bool sortsWhatCame_ = false; // while rows are taken
};

} // namespace moorfrost::app
