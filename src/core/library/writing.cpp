// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/writing.h"

#include <algorithm>

#include <fcntl.h>
#include <fmt/format.h>
#include <sys/file.h>
#include <unistd.h>

#include "core/files/disk.h"
#include "core/text/text.h"

namespace moorfrost::library {

using files::StepRecord;
using files::StepState;

namespace {

class StoreJournal : public files::JournalSink {
public:
    StoreJournal(Store& store, int64_t batch) : store_(store), batch_(batch) {}
    int64_t set() const { return set_; }

    void begin(const files::FileSet& set) override { set_ = store_.beginSet(set, batch_); }
    void stepsBegun(const std::vector<std::pair<size_t, const StepRecord*>>& steps) override {
        store_.saveSteps(set_, steps);
    }
    void stepsEnded(const std::vector<std::pair<size_t, const StepRecord*>>& steps) override {
        store_.saveSteps(set_, steps);
    }
    void foldersRemoved(const std::vector<Path>& folders) override {
        store_.saveRemovedFolders(set_, folders);
    }
    void end(bool) override { store_.endSet(set_); }

private:
    Store& store_;
    int64_t batch_;
    int64_t set_ = 0;
};

/// Brings what the library knows of one file in step with a step that was done.
void follow(Store& store, const std::vector<Shelf>& shelves, const StepRecord& r, int64_t batch) {
    Path now = r.step.target.empty() ? r.step.source : r.step.target;
    int64_t shelf = shelfOf(shelves, now);
    FileId id = r.step.file;
    if (id == 0)
        id = store.fileByPath(r.step.source);
    bool isSound = audio::formatByExtension(now) != audio::Format::Unknown;
    if (id == 0 && !(shelf > 0 && isSound))
        return; // goes along, or not ours to know
    if (!r.step.copy && id > 0 && !r.step.target.empty())
        store.moveFile(id, now);
    store.saveFile(files::scanFile(now), shelf);
    if (id > 0) {
        store.removeWritten(id, r.step.changes, !r.step.target.empty());
        if (!r.step.target.empty() && shelf > 0 && batch > 0)
            store.removeFromBatch(batch, {id});
    }
}

void unfollow(Store& store, const std::vector<Shelf>& shelves, const StepRecord& r, int64_t batch) {
    FileId id = store.fileByPath(r.step.target.empty() ? r.step.source : r.step.target);
    if (r.step.copy) {
        if (id > 0)
            store.forgetFile(id);
        id = store.fileByPath(r.step.source);
        if (id == 0 && batch > 0 && audio::formatByExtension(r.step.source) != audio::Format::Unknown)
            id = store.saveFile(files::scanFile(r.step.source));
    } else if (id > 0) {
        store.moveFile(id, r.step.source);
        store.saveFile(files::scanFile(r.step.source), shelfOf(shelves, r.step.source));
    }
    bool putAway = !r.step.target.empty();
    if (id > 0 && batch > 0 && putAway && shelfOf(shelves, r.step.source) == 0) {
        std::vector<Batch> all = store.batches();
        bool there = std::any_of(all.begin(), all.end(), [&](const Batch& b) { return b.id == batch; });
        if (there)
            store.addToBatch(batch, {id});
        else if (!all.empty())
            store.addToBatch(all.back().id, {id});
    }
}

} // namespace

namespace {
int openLock(const Store& store) {
    Path path = store.file();
    path += ".writing";
    return ::open(path.c_str(), O_RDWR | O_CREAT | O_CLOEXEC, 0666);
}
} // namespace

WriterLock::WriterLock(const Store& store) : fd_(openLock(store)) {
    held_ = fd_ >= 0 && ::flock(fd_, LOCK_EX) == 0;
}

WriterLock::WriterLock(const Store& store, std::nothrow_t) : fd_(openLock(store)) {
    held_ = fd_ >= 0 && ::flock(fd_, LOCK_EX | LOCK_NB) == 0;
}

WriterLock::~WriterLock() {
    if (fd_ >= 0)
        ::close(fd_);
}

int64_t shelfOf(const std::vector<Shelf>& shelves, const Path& path) {
    int64_t best = 0;
    size_t longest = 0;
    for (const Shelf& shelf : shelves) {
        std::string root = shelf.path.native() + "/";
        if (path.native().starts_with(root) && root.size() > longest) {
            longest = root.size();
            best = shelf.id;
        }
    }
    return best;
}

WriteOutcome writeSet(Store& store, const files::FileSet& set, int64_t batch, std::stop_token stop,
                      work::Progress& progress) {
    WriterLock lock(store);
    WriteOutcome outcome;
    StoreJournal journal(store, batch);
    outcome.report = files::carryOut(set, journal, stop, progress);
    outcome.set = journal.set();
    std::vector<Shelf> shelves = store.shelves();
    for (const StepRecord& r : outcome.report.steps)
        if (r.state == StepState::Done)
            follow(store, shelves, r, batch);
    return outcome;
}

TakeBackOutcome takeBackSet(Store& store, int64_t set, const std::optional<std::set<size_t>>& only,
                            std::stop_token stop, work::Progress& progress) {
    WriterLock lock(store);
    TakeBackOutcome outcome;
    std::vector<Shelf> shelves = store.shelves();
    int64_t batch = store.batchOfSet(set);
    std::vector<SetStep> steps = store.steps(set);
    std::vector<SetStep*> wanted;
    for (auto it = steps.rbegin(); it != steps.rend(); ++it)
        if (it->record.state == StepState::Done && (!only || only->contains(it->number)))
            wanted.push_back(&*it);
    progress.begin(wanted.size());
    // Folders that the write removed come back with the first file that returns, or here, if they held
    // nothing else.
    std::vector<Path> remade;
    if (!only)
        for (const Path& folder : store.removedFolders(set))
            files::makeFolders(folder, remade);
    for (SetStep* step : wanted) {
        if (stop.stop_requested())
            break;
        StepRecord& r = step->record;
        files::TakeBackResult result = files::takeBack(r);
        if (result.done) {
            ++outcome.done;
            r.state = StepState::TakenBack;
            store.saveSteps(set, {{step->number, &r}});
            unfollow(store, shelves, r, batch);
        } else {
            outcome.refused.emplace_back(r.step.target.empty() ? r.step.source : r.step.target, result.error);
        }
        progress.step(r.step.source.filename().native());
    }
    return outcome;
}

std::vector<std::string> recover(Store& store) {
    WriterLock lock(store, std::nothrow);
    if (!lock.isHeld())
        return {};
    std::vector<std::string> said;
    std::vector<Shelf> shelves = store.shelves();
    for (const SetSummary& summary : store.sets()) {
        if (!summary.running)
            continue;
        size_t finished = 0, undone = 0;
        for (SetStep& step : store.steps(summary.id)) {
            if (step.record.state != StepState::Begun && step.record.state != StepState::Planned)
                continue;
            if (step.record.state == StepState::Begun && files::settle(step.record) == StepState::Done) {
                ++finished;
                follow(store, shelves, step.record, store.batchOfSet(summary.id));
            } else {
                ++undone;
                step.record.state = StepState::Failed;
                step.record.error =
                    "Moorfrost was stopped before this file was written. It is as it was before.";
            }
            store.saveSteps(summary.id, {{step.number, &step.record}});
        }
        store.endSet(summary.id);
        said.push_back(fmt::format(
            "\"{}\" was interrupted. Of the files it was working on, {} were finished and {} are as before.",
            summary.title, finished, undone));
    }
    return said;
}

} // namespace moorfrost::library
