// SPDX-License-Identifier: GPL-3.0-or-later
// The journal: sets of changes that were written to files, step by step, with what is kept to take them back.
#pragma once

#include <optional>
#include <set>
#include <string>
#include <vector>

#include "core/library/picture_store.h"
#include "core/library/records.h"
#include "core/library/store/database.h"

namespace moorfrost::library {

class JournalTable {
public:
    /// `pictures`: where pictures are kept that were in files before.
    JournalTable(Database& db, Path pictures) : db_(db), pictures_(std::move(pictures)) {}

    int64_t begin(const files::ChangeSet& set, int64_t batch);
    /// A step that was done before it came into the journal; its number.
    size_t addDone(int64_t set, const files::StepRecord& record);
    void saveSteps(int64_t set, const std::vector<std::pair<size_t, const files::StepRecord*>>& steps);
    void saveRemovedFolders(int64_t set, const std::vector<Path>& folders);
    void end(int64_t set);
    std::vector<SetSummary> sets(); // the newest first
    /// Sets that were begun and never ended: number and title.
    std::vector<std::pair<int64_t, std::string>> openSets();
    /// Without the bytes that are kept, unless asked for.
    std::vector<SetStep> steps(int64_t set, bool withKept = false);
    /// What was written to a file, the newest first.
    std::vector<Event> historyOf(FileId file, size_t most);
    files::StepState stateOfStep(int64_t set, size_t number);
    std::vector<Path> removedFolders(int64_t set);
    /// The batch that was in sight, 0 for none.
    int64_t batchOf(int64_t set);
    /// A later set, not taken back, that this step has to wait for.
    std::optional<SetSummary> laterSetOn(int64_t set, const files::StepRecord& record);
    /// A step that is neither done nor undone, with all that is needed to look at it again.
    void keepAside(const files::NumberedStep& step);
    std::vector<files::NumberedStep> asideSteps();
    /// Steps that are set aside end where their files are about to be written again.
    void supersede(const files::ChangeSet& set);
    /// What is kept for taking back, against the limit in the settings ("history-limit", bytes).
    HistoryUse use();
    /// Drops what is over the limit, oldest first. Those sets cannot be taken back any more.
    void dropOld();

    /// Names (tags::keptName) of the pictures that sets which can be taken back hold, before and after.
    std::set<std::string> pictureNames();

private:
    Database& db_;
    PictureStore pictures_;
};

} // namespace moorfrost::library
