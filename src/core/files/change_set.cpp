// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/files/change_set.h"

#include <algorithm>
#include <atomic>
#include <exception>

#include "core/audio/essence.h"
#include "core/files/group_loop.h"
#include "core/files/patching.h"
#include "core/files/step_checks.h"
#include "core/sandbox/parser_pool.h"
#include "core/text/text.h"
#include "core/work/parallel.h"

namespace moorfrost::files {

namespace fs = std::filesystem;

namespace {

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
        audio::ContentHashes hashes = how == CommitClass::Nothing
                                          ? audio::ContentHashes{audio::contentHash(old), {}}
                                          : audio::contentHashes(old, w.recipe);
        r.hashBefore = std::move(hashes.before);
        r.hashAfter = how == CommitClass::Nothing ? r.hashBefore : std::move(hashes.after);
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

/// What remains to be found out once it is known what the file becomes. The record is Failed where that
/// cannot be.
void describe(Work& w, const ChangeSet& set) {
    StepRecord& r = w.record();
    bool newFile = r.step.copy || r.cross;
    chooseLinks(w, set.hardLinks, newFile);
    if (r.state == StepState::Failed)
        return;
    describeChange(w, newFile);
    if (newFile ? !r.contentChanged() || set.keepTimes : set.keepTimes)
        w.modifiedNs = r.stateBefore.modifiedNs;
}

void takeEdit(Work& w, const ChangeSet& set, Result<tags::PreparedEdit> edit) {
    StepRecord& r = w.record();
    if (!edit) {
        r.damageAsked = edit.error().kind == ErrorKind::CutShort;
        return fail(r, edit.error().message);
    }
    r.before = std::move(edit->before);
    r.after = std::move(edit->after);
    std::move(edit->notes.begin(), edit->notes.end(), std::back_inserter(r.notes));
    w.original = std::move(edit->original);
    w.recipe = std::move(edit->recipe);
    describe(w, set);
}

/// A step that leaves the tags alone.
void prepareWhole(Work& w, const ChangeSet& set) {
    StepRecord& r = w.record();
    if (!r.step.copy && !r.cross)
        return; // only its name changes
    auto source = FileSource::open(r.real);
    if (!source)
        return fail(r, source.error().message);
    w.original = std::move(*source);
    w.recipe = wholeFile(*w.original);
    describe(w, set);
}

/// Opens the files, makes the changes in memory, describes them.
void prepare(const std::vector<Work*>& works, const ChangeSet& set) {
    std::atomic<size_t> next = 0;
    auto take = [&](bool) -> std::optional<sandbox::ParserPool::Question> {
        for (size_t i = next++; i < works.size(); i = next++) {
            const StepRecord& r = works[i]->record();
            if (!r.step.changes.empty())
                return sandbox::ParserPool::Question{i, r.real.native(), r.step.changes, set.damage,
                                                     set.pictures.native()};
            prepareWhole(*works[i], set);
        }
        return std::nullopt;
    };
    work::inParallel(work::threadsFor(0), [&](size_t) {
        sandbox::ParserPool::shared().editEach(take, {}, [&](size_t i, Result<tags::PreparedEdit> edit) {
            takeEdit(*works[i], set, std::move(edit));
        });
    });
}

std::string journalTrouble(const std::string& what) {
    return "The journal could not be written, so the write was stopped: " + what;
}

} // namespace

SetReport carryOut(const ChangeSet& set, JournalSink& journal, WriteAheadLog& log, std::stop_token stop,
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
        auto beginStep = [&](size_t i) {
            auto work = std::make_unique<Work>();
            work->position = i;
            work->entry.set = report.set;
            work->entry.number = i;
            work->entry.record = report.steps[i];
            return work;
        };
        runUnits(order, loop, stop, beginStep, [&](const std::vector<Work*>& works) { prepare(works, set); });
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

std::string takeBack(std::vector<PastStep>& steps, JournalSink& journal, WriteAheadLog& log,
                     std::stop_token stop, work::Progress& progress) {
    std::vector<StepRecord> backs(steps.size());
    std::vector<StepRecord*> records;
    for (size_t i = 0; i < steps.size(); ++i) {
        planBack(steps[i].record, backs[i]);
        records.push_back(&backs[i]);
    }
    progress.begin(steps.size());
    std::set<Path> made; // folders, outer ones first
    GroupLoop loop(log, [&](Group& group) {
        std::map<int64_t, std::vector<std::pair<size_t, const StepRecord*>>> ended;
        for (auto& w : group) {
            PastStep& past = steps[w->position];
            const StepRecord& back = w->record();
            if (back.state == StepState::Done) {
                past.record.state = StepState::TakenBack;
                ended[past.set].emplace_back(past.number, &past.record);
                made.insert(past.record.madeFolders.begin(), past.record.madeFolders.end());
            } else {
                past.record.error = back.error;
            }
        }
        for (const auto& [set, list] : ended)
            journal.stepsEnded(set, list);
        // What others still lie in goes with a later group.
        for (auto folder = made.rbegin(); folder != made.rend(); ++folder)
            removeIfEmpty(*folder);
        std::erase_if(made, [](const Path& folder) { return !isThere(folder); });
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
        auto beginBack = [&](size_t i) {
            auto work = std::make_unique<Work>();
            work->position = i;
            work->entry.set = steps[i].set;
            work->entry.number = steps[i].number;
            work->entry.takingBack = true;
            work->entry.record = backs[i];
            return work;
        };
        // A copy goes only when what it was copied from is really back: it may be the only one that is as it
        // was.
        const auto copies = std::ranges::stable_partition(
            order, [&](const std::vector<size_t>& unit) { return !records[unit.front()]->remove; });
        const std::vector<std::vector<size_t>> last(copies.begin(), copies.end());
        order.erase(copies.begin(), copies.end());
        auto prepare = [&](const std::vector<Work*>& works) {
            work::inParallel(works.size(),
                             [&](size_t k) { prepareBack(*works[k], steps[works[k]->position].record); });
        };
        for (const auto& units : {order, last}) {
            if (units.empty() || !loop.error().empty())
                continue;
            runUnits(units, loop, stop, beginBack, prepare);
            loop.finish();
        }
    } catch (const std::exception& e) {
        loop.stopWith(journalTrouble(e.what()));
    }
    return loop.error();
}

Result<std::vector<Recovered>> recoverGroup(WriteAheadLog& log, uint64_t& number,
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
