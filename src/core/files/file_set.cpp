// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/files/file_set.h"

#include <algorithm>
#include <exception>
#include <future>

#include "core/audio/essence.h"
#include "core/files/group.h"
#include "core/files/patching.h"
#include "core/files/step_checks.h"
#include "core/guard/readers.h"
#include "core/text/text.h"
#include "core/work/parallel.h"

namespace moorfrost::files {

namespace fs = std::filesystem;

namespace {

// A group ends where any of these is reached.
constexpr size_t groupSteps = 384, groupNewCount = 96; // each step has a file open
constexpr uint64_t groupImages = 4u << 20, groupNewFiles = 256u << 20;

using Group = std::vector<std::unique_ptr<Work>>;

Recipe wholeFile(const ByteSource& source) {
    Recipe recipe;
    if (source.size() > 0)
        recipe.extents.push_back({false, 0, source.size()});
    return recipe;
}

/// The way back, and what the log needs, from the recipe. `newFile`: it is built anew in any case.
void describeChange(Work& w, bool newFile) {
    StepRecord& r = w.record();
    const FileSource& old = *w.original;
    CommitClass how = classify(w.recipe, old);
    if (how == CommitClass::Nothing && !newFile)
        return;
    if (how == CommitClass::Rewrite || newFile) {
        r.hashBefore = audio::contentHash(old);
        r.hashAfter =
            how == CommitClass::Nothing ? r.hashBefore : audio::contentHash(RecipeSource(old, w.recipe));
    }
    if (how == CommitClass::Nothing)
        return;
    r.how = newFile ? CommitClass::Rewrite : how;
    if (r.how == CommitClass::Rewrite) {
        if (!r.step.copy)
            r.undo = inverseOf(w.recipe, old);
        return;
    }
    w.entry.patches = patchesOf(w.recipe, old);
    r.undo = inverseOf(w.entry.patches, w.recipe.size());
    std::string fresh;
    for (const Patch& p : w.entry.patches)
        fresh += p.after;
    r.changedHash = audio::bytesHash(fresh);
    w.original.reset(); // the patches are all that is needed
    w.recipe = {};
}

/// The choice about other names of a file, where its content changes.
void chooseLinks(Work& w, HardLinks choice, bool& newFile) {
    StepRecord& r = w.record();
    auto look = lookAt(r.real);
    if (r.step.copy || !look || look->links < 2)
        return;
    CommitClass how = classify(w.recipe, *w.original);
    if (how == CommitClass::Nothing)
        return;
    if (choice == HardLinks::Ask) {
        r.linksAsked = true;
        fail(r, "The file has other names (hard links). Choose whether they change with it or keep the old "
                "content.");
    } else if (choice == HardLinks::ThisName) {
        newFile = true;
        r.notes.emplace_back("The file has other names (hard links). They keep the old content.");
    } else if (how == CommitClass::Rewrite || r.cross) {
        fail(r,
             "This change needs a new file, which would part it from its other names (hard links). Choose to "
             "change this name only.");
    } else {
        r.notes.emplace_back("The file has other names (hard links). They changed with it.");
    }
}

/// Opens the file, makes the change in memory, describes it. The record is Failed where that cannot be.
void prepare(Work& w, const FileSet& set) {
    StepRecord& r = w.record();
    bool newFile = r.step.copy || r.cross;
    if (!r.step.changes.empty()) {
        auto edit = guard::Readers::shared().prepareEdit(r.real, r.step.changes);
        if (!edit)
            return fail(r, edit.error().message);
        r.before = std::move(edit->before);
        r.after = std::move(edit->after);
        std::move(edit->notes.begin(), edit->notes.end(), std::back_inserter(r.notes));
        w.original = edit->original;
        w.recipe = std::move(edit->recipe);
    } else if (newFile) {
        auto source = FileSource::open(r.real);
        if (!source)
            return fail(r, source.error().message);
        w.original = *source;
        w.recipe = wholeFile(*w.original);
    } else {
        return; // only its name changes
    }
    chooseLinks(w, set.hardLinks, newFile);
    if (r.state == StepState::Failed)
        return;
    describeChange(w, newFile);
    if (newFile ? !r.contentChanged() || set.keepTimes : set.keepTimes)
        w.modifiedNs = r.stateBefore.modifiedNs;
}

/// Room for new files of this group beside what it writes already.
bool hasRoom(const Group& group, Work& w) {
    uint64_t wanted = w.newFileBytes();
    if (wanted == 0)
        return true;
    auto folderOf = [](Work& x) {
        const StepRecord& r = x.record();
        return r.step.copy || r.cross ? r.step.target.parent_path() : r.real.parent_path();
    };
    Path folder = nearestFolder(folderOf(w));
    for (const auto& other : group)
        if (other->newFileBytes() > 0 && deviceOf(nearestFolder(folderOf(*other))) == deviceOf(folder))
            wanted += other->newFileBytes();
    return wanted <= freeBytes(folder);
}

/// Runs prepared works group by group. `ended` records what came of a group before it is retired; it may
/// throw.
class GroupLoop {
public:
    GroupLoop(GroupLog& log, std::function<void(Group&)> ended) : log_(log), ended_(std::move(ended)) {}

    /// Adds works that must run together. False after trouble with the log.
    bool add(std::vector<std::unique_ptr<Work>> unit) {
        uint64_t images = 0, newFiles = 0;
        size_t newCount = 0;
        for (const auto& w : unit) {
            images += w->imageBytes();
            newFiles += w->newFileBytes();
            newCount += w->newFileBytes() > 0;
        }
        bool full = newCount_ + newCount > groupNewCount || group_.size() + unit.size() > groupSteps ||
                    images_ + images > groupImages || newFiles_ + newFiles > groupNewFiles;
        for (const auto& w : unit)
            full = full || !hasRoom(group_, *w);
        if (full && !flush())
            return false;
        for (auto& w : unit) {
            StepRecord& r = w->record();
            if (r.state != StepState::Failed && !hasRoom(group_, *w))
                fail(r, noRoom(w->newFileBytes(), freeBytes(r.real.parent_path())));
            images_ += w->imageBytes();
            newFiles_ += w->newFileBytes();
            newCount_ += w->newFileBytes() > 0;
            group_.push_back(std::move(w));
        }
        return true;
    }

    /// Runs what is waiting, while the next group is prepared. False after trouble with the groups before.
    bool flush() {
        wait();
        if (!error_.empty())
            return false;
        bool alone = newCount_ > 0; // new files take room, which is looked at while preparing
        running_ = std::async(alone ? std::launch::deferred : std::launch::async,
                              [this, group = std::move(group_)]() mutable { run(std::move(group)); });
        group_.clear();
        images_ = newFiles_ = 0;
        newCount_ = 0;
        if (alone)
            wait();
        return error_.empty();
    }

    /// At the end: all is done, and what was retired is so on the disk.
    void finish() {
        wait();
        if (last_ > 0 && error_.empty())
            log_.retire(last_, true);
    }
    /// After finish().
    const std::string& error() const { return error_; }
    /// After an exception: waits for what runs, then ends with this sentence.
    void stopWith(const std::string& error) {
        try {
            wait();
        } catch (const std::exception&) {
            // the same trouble once more
        }
        error_ = error;
    }

private:
    void wait() {
        if (running_.valid())
            running_.get();
    }

    void run(Group group) {
        Group runs, all;
        for (auto& w : group) {
            StepRecord& r = w->record();
            // Nothing to do is done.
            if (r.state == StepState::Planned && !r.contentChanged() && r.step.target.empty() && !r.remove) {
                r.stateAfter = r.stateBefore;
                r.state = StepState::Done;
            }
            (r.state == StepState::Planned ? runs : all).push_back(std::move(w));
        }
        uint64_t number = 0;
        bool settled = true;
        if (!runs.empty()) {
            auto outcome = runGroup(log_, runs);
            if (!outcome) {
                error_ = outcome.error().message;
            } else {
                number = outcome->number;
                settled = outcome->settled;
            }
        }
        std::move(runs.begin(), runs.end(), std::back_inserter(all));
        ended_(all);
        if (!error_.empty())
            return;
        if (!settled) {
            error_ = "The disk failed so that something could not be put back at once. The journal holds it, "
                     "and it is put right before anything else is written.";
            return;
        }
        if (number > 0)
            if (Status retired = log_.retire(number, false); !retired)
                error_ = retired.error().message;
        last_ = std::max(last_, number);
    }

    GroupLog& log_;
    std::function<void(Group&)> ended_;
    Group group_;
    uint64_t images_ = 0, newFiles_ = 0, last_ = 0;
    size_t newCount_ = 0;
    std::string error_;
    std::future<void> running_; // the group that is being written
};

/// Prepares the steps of each unit, several at once on several threads, and hands them on in order.
void runUnits(const std::vector<std::vector<size_t>>& order, GroupLoop& loop, std::stop_token stop,
              const std::function<std::unique_ptr<Work>(size_t)>& prepared) {
    constexpr size_t chunk = 64;
    for (size_t from = 0; from < order.size() && !stop.stop_requested(); from += chunk) {
        size_t to = std::min(order.size(), from + chunk);
        std::vector<Group> units(to - from);
        // More threads than processors: each waits for its reading process half of the time.
        work::inParallel(
            to - from,
            [&](size_t k) {
                for (size_t i : order[from + k])
                    units[k].push_back(prepared(i));
            },
            2 * work::threadsFor(0));
        for (Group& unit : units)
            if (!loop.add(std::move(unit)))
                return;
    }
    loop.flush();
}

std::string journalTrouble(const std::string& what) {
    return "The journal could not be written, so the write was stopped: " + what;
}

} // namespace

SetReport carryOut(const FileSet& set, JournalSink& journal, GroupLog& log, std::stop_token stop,
                   work::Progress& progress) {
    SetReport report;
    report.steps.resize(set.steps.size());
    std::vector<StepRecord*> records;
    for (size_t i = 0; i < set.steps.size(); ++i) {
        report.steps[i].step = set.steps[i];
        records.push_back(&report.steps[i]);
    }
    progress.begin(set.steps.size());
    GroupLoop loop(log, [&](Group& group) {
        std::vector<std::pair<size_t, const StepRecord*>> ended;
        for (auto& w : group) {
            report.steps[w->position] = std::move(w->record());
            // What is unsettled or was not reached is not recorded: the log, or nobody, knows of it.
            StepState state = report.steps[w->position].state;
            if (state == StepState::Done || state == StepState::Failed)
                ended.emplace_back(w->position, &report.steps[w->position]);
        }
        journal.stepsEnded(report.set, ended);
        for (auto& w : group) { // the bytes that are kept are in the journal now, not in memory
            StepRecord& r = report.steps[w->position];
            r.undo = {};
            progress.step(r.step.source.filename().native());
        }
    });
    try {
        report.set = journal.begin(set);
        std::vector<std::vector<size_t>> order = checkSteps(records);
        std::vector<std::pair<size_t, const StepRecord*>> refused;
        for (size_t i = 0; i < records.size(); ++i)
            if (records[i]->state == StepState::Failed) {
                refused.emplace_back(i, records[i]);
                progress.step(records[i]->step.source.filename().native());
            }
        journal.stepsEnded(report.set, refused);
        runUnits(order, loop, stop, [&](size_t i) {
            auto work = std::make_unique<Work>();
            work->position = i;
            work->entry.set = report.set;
            work->entry.number = i;
            work->entry.record = report.steps[i];
            prepare(*work, set);
            return work;
        });
        loop.finish();
        if (!stop.stop_requested() && loop.error().empty()) {
            for (const Path& folder : set.emptied)
                if (removeIfEmpty(folder))
                    report.removedFolders.push_back(folder);
            journal.foldersRemoved(report.set, report.removedFolders);
        }
        // A set that is not settled stays open: it is looked at again when the program starts.
        if (loop.error().empty())
            journal.end(report.set, stop.stop_requested());
    } catch (const std::exception& e) {
        loop.stopWith(journalTrouble(e.what()));
    }
    report.error = loop.error();
    for (const StepRecord& r : report.steps) {
        report.done += r.state == StepState::Done;
        report.failed += r.state == StepState::Failed;
        report.left += r.state == StepState::Planned || r.state == StepState::Begun;
    }
    return report;
}

namespace {

/// The step that takes `past` back.
void planBack(const StepRecord& past, StepRecord& back) {
    const Path& target = past.step.target;
    back.step.file = past.step.file;
    back.step.source = target.empty() ? (past.real.empty() ? past.step.source : past.real) : target;
    back.remove = past.step.copy;
    if (!target.empty() && !past.step.copy)
        back.step.target = past.step.source;
    back.how =
        past.step.copy ? CommitClass::Nothing : past.how; // so that rights are looked at; refined later
}

void prepareBack(Work& w, const StepRecord& past) {
    StepRecord& r = w.record();
    r.how = CommitClass::Nothing;
    auto source = FileSource::open(r.real);
    if (!source)
        return fail(r, source.error().message);
    std::string changed = "The file was changed by something else since: " + shown(r.real) + ".";
    bool asLeft = r.stateBefore == past.stateAfter;
    if (past.step.copy) {
        if (!asLeft && audio::contentHash(**source) != past.hashAfter)
            return fail(r, changed);
        if (!isThere(past.step.source))
            return fail(r, "The file that it was copied from is gone: " + shown(past.step.source) +
                               ". This copy is the only one, so it stays.");
        return;
    }
    if (!asLeft) { // touched, or changed? The bytes decide
        bool same = r.stateBefore.size == past.stateAfter.size;
        if (past.how == CommitClass::Rewrite)
            same = same && audio::contentHash(**source) == past.hashAfter;
        else if (past.contentChanged())
            same = same && patchedHash(**source, past.undo) == past.changedHash;
        if (!same)
            return fail(r, changed);
    }
    if (!past.contentChanged() && !r.cross)
        return;
    w.original = *source;
    w.recipe = past.contentChanged() ? past.undo : wholeFile(*w.original);
    for (const Extent& e : w.recipe.extents)
        if (e.offset + e.length > (e.fresh ? w.recipe.fresh.size() : w.original->size()))
            return fail(r, past.undo.fresh.empty()
                               ? "The history of this file has been dropped, so it cannot be taken back."
                               : changed);
    if (past.how == CommitClass::Rewrite && !past.hashBefore.empty() &&
        audio::contentHash(RecipeSource(*w.original, w.recipe)) != past.hashBefore)
        return fail(r, "What the journal kept does not give the old file: " + shown(r.real) + ".");
    describeChange(w, r.cross || past.how == CommitClass::Rewrite);
    w.modifiedNs = past.stateBefore.modifiedNs;
}

} // namespace

std::string takeBack(std::vector<PastStep>& steps, JournalSink& journal, GroupLog& log, std::stop_token stop,
                     work::Progress& progress) {
    std::vector<StepRecord> backs(steps.size());
    std::vector<StepRecord*> records;
    for (size_t i = 0; i < steps.size(); ++i) {
        planBack(steps[i].record, backs[i]);
        records.push_back(&backs[i]);
    }
    progress.begin(steps.size());
    GroupLoop loop(log, [&](Group& group) {
        std::map<int64_t, std::vector<std::pair<size_t, const StepRecord*>>> ended;
        std::vector<Path> made;
        for (auto& w : group) {
            PastStep& past = steps[w->position];
            const StepRecord& back = w->record();
            if (back.state == StepState::Done) {
                past.record.state = StepState::TakenBack;
                ended[past.set].emplace_back(past.number, &past.record);
                for (auto p = past.record.madeFolders.rbegin(); p != past.record.madeFolders.rend(); ++p)
                    made.push_back(*p);
            } else {
                past.record.error = back.error;
            }
        }
        for (const auto& [set, list] : ended)
            journal.stepsEnded(set, list);
        for (const Path& folder : made)
            removeIfEmpty(folder);
        for (auto& w : group) {
            steps[w->position].record.undo = {};
            progress.step(w->record().step.source.filename().native());
        }
    });
    try {
        std::vector<std::vector<size_t>> order = checkSteps(records);
        for (size_t i = 0; i < steps.size(); ++i)
            if (records[i]->state == StepState::Failed) {
                steps[i].record.error = records[i]->error;
                progress.step(records[i]->step.source.filename().native());
            }
        runUnits(order, loop, stop, [&](size_t i) {
            auto work = std::make_unique<Work>();
            work->position = i;
            work->entry.set = steps[i].set;
            work->entry.number = steps[i].number;
            work->entry.takingBack = true;
            work->entry.record = backs[i];
            prepareBack(*work, steps[i].record);
            return work;
        });
        loop.finish();
    } catch (const std::exception& e) {
        loop.stopWith(journalTrouble(e.what()));
    }
    return loop.error();
}

Result<std::vector<Recovered>> recoverGroup(GroupLog& log, uint64_t& number,
                                            const std::function<bool(const NumberedStep&)>& recorded) {
    number = 0;
    auto pending = log.pending();
    if (!pending)
        return pending.error();
    std::vector<Recovered> out;
    if (!*pending)
        return out;
    number = (*pending)->number;
    std::vector<NumberedStep> open;
    for (NumberedStep& s : (*pending)->steps)
        if (!recorded(s))
            open.push_back(std::move(s));
    return settleAgain(std::move(open));
}

std::vector<Recovered> settleAgain(std::vector<NumberedStep> steps) {
    std::vector<Recovered> out;
    for (Settled& s : settleGroup(std::move(steps)))
        out.push_back({std::move(s.entry), s.what == Settled::Finished});
    return out;
}

} // namespace moorfrost::files
