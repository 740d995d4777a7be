// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/writing.h"

#include <algorithm>
#include <ctime>
#include <iterator>
#include <utility>

#include <fcntl.h>
#include <fmt/format.h>
#include <sys/file.h>
#include <unistd.h>

#include "core/base/log.h"
#include "core/files/disk.h"
#include "core/files/trash.h"
#include "core/files/write_ahead_log.h"
#include "core/library/picture_store.h"
#include "core/text/text.h"

namespace moorfrost::library {

using files::StepRecord;
using files::StepState;

namespace {

/// Brings what the library knows of the files in step with steps that were done: one group, one transaction.
void follow(Store& store, const std::vector<Shelf>& shelves, int64_t batch,
            const std::vector<const StepRecord*>& steps, bool reread, std::vector<FileId>& touched) {
    std::vector<std::pair<FileId, Path>> moves;
    std::vector<Path> sources;
    for (const StepRecord* r : steps)
        sources.push_back(r->step.source);
    std::vector<FileId> ids = store.files().idsOf(sources);
    for (size_t i = 0; i < steps.size(); ++i) {
        if (steps[i]->step.file > 0)
            ids[i] = steps[i]->step.file;
        if (!steps[i]->step.copy && ids[i] > 0 && !steps[i]->step.target.empty())
            moves.emplace_back(ids[i], steps[i]->step.target);
    }
    for (const auto& [id, to] : moves) // what the library believed to be there is forgotten
        if (FileId displaced = store.files().idOf(to); displaced > 0)
            touched.push_back(displaced);
    store.files().moveAll(moves);
    std::ranges::copy_if(ids, std::back_inserter(touched), [](FileId id) { return id > 0; });
    for (size_t i = 0; i < steps.size(); ++i) {
        const StepRecord& r = *steps[i];
        Path now = r.step.target.empty() ? r.step.source : r.step.target;
        int64_t shelf = shelfOf(shelves, now);
        bool isNew = ids[i] == 0 || r.step.copy;
        if (!isNew && reread)
            store.files().save(files::scanFile(now), shelf);
        else if (!isNew)
            store.files().update(ids[i], r.stateAfter,
                                 r.step.changes.empty() ? std::nullopt : std::optional(r.after), shelf);
        else if (shelf > 0 && audio::formatByExtension(now) != audio::Format::Unknown) {
            // What goes along is not the library's to know.
            const FileId copy = store.files().save(files::scanFile(now), shelf);
            if (ids[i] > 0 && r.step.copy) { // the sound is the same: that was shown when it was written
                store.recordings().ensure(ids[i]);
                store.recordings().join(ids[i], copy);
            }
        }
        if (ids[i] > 0) {
            store.drafts().removeWritten(ids[i], r.step.changes, !r.step.target.empty());
            if (!r.step.target.empty() && shelf > 0 && batch > 0)
                store.batches().removeFiles(batch, {ids[i]});
        }
    }
}

/// A copy was taken away again. What is kept of its recording stays with the file that it was made of.
void forgetCopy(Store& store, FileId copy, FileId original) {
    if (original > 0)
        store.recordings().join(copy, original);
    if (original > 0 || !store.recordings().isKept(copy))
        store.files().forget(copy);
    else
        store.files().setAbsent({copy}, static_cast<int64_t>(std::time(nullptr)));
}

/// A file that the program had made is in the trash.
void forgetMade(Store& store, FileId id) {
    if (store.recordings().isKept(id))
        store.files().setAbsent({id}, static_cast<int64_t>(std::time(nullptr)));
    else
        store.files().forget(id);
}

void unfollow(Store& store, const std::vector<Shelf>& shelves, int64_t batch,
              const std::vector<const StepRecord*>& steps, std::vector<FileId>& touched) {
    std::vector<std::pair<FileId, Path>> moves;
    std::vector<FileId> ids;
    for (const StepRecord* r : steps) {
        ids.push_back(store.files().idOf(r->step.target.empty() ? r->step.source : r->step.target));
        if (!r->step.copy && !r->step.made && ids.back() > 0)
            moves.emplace_back(ids.back(), r->step.source);
    }
    store.files().moveAll(moves);
    for (size_t i = 0; i < steps.size(); ++i) {
        const StepRecord& r = *steps[i];
        FileId id = ids[i];
        if (r.step.made) {
            if (id > 0) {
                forgetMade(store, id);
                touched.push_back(id);
            }
            continue;
        }
        if (r.step.copy) {
            const FileId copy = id;
            id = store.files().idOf(r.step.source);
            if (id == 0 && batch > 0 && audio::formatByExtension(r.step.source) != audio::Format::Unknown)
                id = store.files().save(files::scanFile(r.step.source));
            if (copy > 0) {
                forgetCopy(store, copy, id);
                touched.push_back(copy);
            }
        } else if (id > 0) {
            store.files().save(files::scanFile(r.step.source), shelfOf(shelves, r.step.source));
        }
        if (id > 0)
            touched.push_back(id);
        if (id == 0 || batch == 0 || r.step.target.empty() || shelfOf(shelves, r.step.source) != 0)
            continue;
        std::vector<Batch> all = store.batches().all();
        bool there = std::any_of(all.begin(), all.end(), [&](const Batch& b) { return b.id == batch; });
        if (there || !all.empty())
            store.batches().addFiles(there ? batch : all.back().id, {id});
    }
}

/// The history in the library. What the library knows of the files follows in the same transaction.
class StoreJournal : public files::JournalSink {
public:
    /// `reread`: the records do not tell all fields (they come from the log), so the files are read again.
    StoreJournal(Store& store, int64_t batch, bool reread = false)
        : store_(store), shelves_(store.shelves().all()), batch_(batch), reread_(reread) {}

    int64_t begin(const files::ChangeSet& set) override { return store_.journal().begin(set, batch_); }
    void stepsEnded(int64_t set, const std::vector<std::pair<size_t, const StepRecord*>>& steps) override {
        Transaction transaction(store_.database());
        store_.journal().saveSteps(set, steps);
        std::vector<const StepRecord*> done, back;
        for (const auto& [number, record] : steps) {
            if (record->state == StepState::Done)
                done.push_back(record);
            else if (record->state == StepState::TakenBack)
                back.push_back(record);
        }
        std::vector<std::pair<Path, Path>> moves;
        for (const StepRecord* r : done)
            if (!r->step.copy && !r->step.target.empty())
                moves.emplace_back(r->step.source, r->step.target);
        for (const StepRecord* r : back)
            if (!r->step.copy && !r->step.made && !r->step.target.empty())
                moves.emplace_back(r->step.target, r->step.source);
        store_.fixity().moveAll(moves);
        follow(store_, shelves_, batch_, done, reread_, touched_);
        unfollow(store_, shelves_, batch_, back, touched_);
        transaction.commit();
    }
    void foldersRemoved(int64_t set, const std::vector<Path>& folders) override {
        store_.journal().saveRemovedFolders(set, folders);
    }
    void end(int64_t set, bool) override { store_.journal().end(set); }
    /// Files of which something else is known now.
    std::vector<FileId> takeTouched() { return std::exchange(touched_, {}); }

private:
    Store& store_;
    std::vector<Shelf> shelves_;
    int64_t batch_;
    bool reread_;
    std::vector<FileId> touched_;
};

/// The write-ahead log of a library lies beside it.
Result<std::unique_ptr<files::WriteAheadLog>> openLog(const Store& store) {
    Path path = store.file();
    path += ".group";
    return files::WriteAheadLog::open(path);
}

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

WriteOutcome writeSet(Store& store, const files::ChangeSet& set, int64_t batch, std::stop_token stop,
                      work::Progress& progress) {
    WriterLock lock(store);
    WriteOutcome outcome;
    auto log = openLog(store);
    if (!log) {
        outcome.report.error = log.error().message;
        return outcome;
    }
    // What a crash left is put right before anything else is touched.
    outcome.recovered = recoverWith(store, **log);
    if (!outcome.recovered.error.empty()) {
        outcome.report.error = outcome.recovered.error;
        return outcome;
    }
    store.journal().dropOld();
    StoreJournal journal(store, batch);
    files::ChangeSet open = set;
    open.pictures = PictureStore::folderOf(store.file());
    for (files::Step& step : open.steps) // a stored fixity can show that a file was only touched
        if (step.expected && step.expectedFields && step.expectedEssence.empty())
            if (auto now = files::stateOf(step.source); now && *now != *step.expected)
                if (auto fixity = store.fixity().find(step.source))
                    step.expectedEssence = fixity->essence;
    for (const files::NumberedStep& s : store.journal().asideSteps())
        if (s.record.blocked)
            for (files::Step& step : open.steps)
                if (step.source == s.record.step.source || step.source == s.record.step.target)
                    step.refused = "An earlier write of this file is set aside. " + s.record.error;
    store.journal().supersede(open);
    outcome.report = files::carryOut(open, journal, **log, stop, progress);
    outcome.set = outcome.report.set;
    log::info(log::About::Write, "set {} \"{}\": {} done, {} failed, {} left {}", outcome.set, set.title,
              outcome.report.done, outcome.report.failed, outcome.report.left, outcome.report.error);
    outcome.touched = journal.takeTouched();
    return outcome;
}

TakeBackOutcome takeBackSet(Store& store, int64_t set, const std::optional<std::set<size_t>>& only,
                            std::stop_token stop, work::Progress& progress) {
    WriterLock lock(store);
    TakeBackOutcome outcome;
    auto log = openLog(store);
    if (!log) {
        outcome.error = log.error().message;
        return outcome;
    }
    outcome.error = recoverWith(store, **log).error;
    if (!outcome.error.empty())
        return outcome;
    std::vector<files::PastStep> wanted;
    std::vector<SetStep> steps = store.journal().steps(set, true);
    for (auto it = steps.rbegin(); it != steps.rend(); ++it) {
        if (it->record.state != StepState::Done || (only && !only->contains(it->number)))
            continue;
        if (auto later = store.journal().laterSetOn(set, it->record)) {
            outcome.refused.emplace_back(
                it->record.step.target.empty() ? it->record.step.source : it->record.step.target,
                fmt::format("It was changed again by \"{}\" (set {}). Take that back first.", later->title,
                            later->id));
            continue;
        }
        if (it->record.step.made) { // it was nowhere before
            auto place = files::placeInTrash(it->record.step.target);
            if (!place) {
                outcome.refused.emplace_back(it->record.step.target, place.error().message);
                continue;
            }
            it->record.step.source = *place;
        }
        wanted.push_back({set, it->number, std::move(it->record)});
    }
    // Folders that the write removed come back with the first file that returns, or here, if they held
    // nothing else.
    if (!only)
        for (const Path& folder : store.journal().removedFolders(set))
            if (Status made = files::makeFolders(folder); !made)
                outcome.refused.emplace_back(folder, made.error().message);
    StoreJournal journal(store, store.journal().batchOf(set));
    outcome.error = files::takeBack(wanted, journal, **log, stop, progress);
    outcome.touched = journal.takeTouched();
    log::info(log::About::Write, "set {} taken back {}", set, outcome.error);
    for (const files::PastStep& step : wanted) {
        const StepRecord& r = step.record;
        if (r.state == StepState::TakenBack) {
            ++outcome.done;
            files::forgetTrashed(r.step.target); // where it was put into the trash
            continue;
        }
        if (r.step.made) // it did not go there
            files::forgetTrashed(r.step.source);
        if (!r.error.empty()) {
            outcome.refused.emplace_back(r.step.target.empty() ? r.step.source : r.step.target, r.error);
        }
    }
    return outcome;
}

namespace {

/// Brings the library in step with one step that was found in the log.
void recordRecovered(Store& store, files::Recovered& found, RecoveryReport& report) {
    files::NumberedStep& s = found.step;
    StepRecord& r = s.record;
    StoreJournal journal(store, store.journal().batchOf(s.set), true);
    Path shown = r.step.target.empty() || !found.finished ? r.step.source : r.step.target;
    if (!s.takingBack) {
        if (r.state == StepState::SetAside)
            store.journal().keepAside(s);
        // What went through is recorded together, see recoverWith.
    } else {
        for (SetStep& past : store.journal().steps(s.set)) {
            if (past.number != s.number)
                continue;
            if (found.finished)
                past.record.state = StepState::TakenBack;
            else if (r.state == StepState::SetAside)
                past.record.notes.push_back(r.error);
            store.journal().saveSteps(s.set, {{s.number, &past.record}});
            if (found.finished)
                journal.stepsEnded(s.set, {{s.number, &past.record}});
        }
    }
    RecoveredFile file{shown, r.state == StepState::SetAside ? r.error : std::string()};
    (r.state == StepState::SetAside ? report.setAside
     : found.finished               ? report.finished
                                    : report.asBefore)
        .push_back(file);
}

/// All of them, those of a set together: files may have changed places, and the library must not take one for
/// the other in between.
void recordAll(Store& store, std::vector<files::Recovered>& found, RecoveryReport& report) {
    std::map<int64_t, std::vector<std::pair<size_t, const StepRecord*>>> ended;
    for (files::Recovered& f : found) {
        const StepRecord& r = f.step.record;
        if (!f.step.takingBack && r.state != StepState::SetAside)
            ended[f.step.set].emplace_back(f.step.number, &r);
    }
    for (const auto& [set, steps] : ended)
        StoreJournal(store, store.journal().batchOf(set), true).stepsEnded(set, steps);
    for (files::Recovered& f : found)
        recordRecovered(store, f, report);
}

} // namespace

RecoveryReport recoverWith(Store& store, files::WriteAheadLog& log) {
    RecoveryReport report;
    uint64_t number = 0;
    auto found = files::recoverGroup(log, number, [&](const files::NumberedStep& s) {
        StepState now = store.journal().stateOfStep(s.set, s.number);
        return s.takingBack ? now != StepState::Done : now != StepState::Planned;
    });
    if (!found) {
        report.error = found.error().message + " Nothing is written until that is put right.";
        return report;
    }
    recordAll(store, *found, report);
    // What was set aside earlier may be within reach again.
    std::vector<files::NumberedStep> aside = store.journal().asideSteps();
    if (found->empty() && !aside.empty()) {
        std::vector<files::Recovered> again = files::settleAgain(std::move(aside));
        std::erase_if(again,
                      [](const files::Recovered& r) { return r.step.record.state == StepState::SetAside; });
        recordAll(store, again, report);
    }
    if (number > 0)
        if (Status retired = log.retire(number, true); !retired)
            report.error = retired.error().message;
    for (const auto& [set, title] : store.journal().openSets()) {
        report.sets.push_back(title);
        store.journal().end(set);
    }
    for (const std::string& sentence : sentencesOf(report))
        log::warning(log::About::Write, "{}", sentence);
    return report;
}

std::vector<std::string> sentencesOf(const RecoveryReport& report) {
    std::vector<std::string> out;
    if (!report.sets.empty() || !report.finished.empty())
        out.push_back(fmt::format("{} interrupted. {} files were finished, {} are as they were before.",
                                  report.sets.empty() ? "A write was"
                                                      : "\"" + text::join(report.sets, "\", \"") + "\" was",
                                  report.finished.size(), report.asBefore.size()));
    for (const RecoveredFile& file : report.setAside)
        out.push_back("Set aside: " + text::forDisplay(file.path.native()) + ". " + file.why);
    if (!report.error.empty())
        out.push_back(report.error);
    return out;
}

RecoveryReport recover(Store& store) {
    WriterLock lock(store, std::nothrow);
    if (!lock.isHeld())
        return {};
    auto log = openLog(store);
    if (!log) {
        RecoveryReport report;
        report.error = log.error().message;
        return report;
    }
    return recoverWith(store, **log);
}

} // namespace moorfrost::library
