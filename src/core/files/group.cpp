// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/files/group.h"

#include <algorithm>
#include <atomic>
#include <cerrno>
#include <map>
#include <mutex>
#include <set>

#include <fcntl.h>
#include <unistd.h>

#include "core/audio/essence.h"
#include "core/files/io.h"
#include "core/files/patching.h"
#include "core/text/text.h"
#include "core/work/parallel.h"

namespace moorfrost::files {

namespace {

std::string shown(const Path& path) {
    return text::forDisplay(path.native());
}

std::string taken(const Path& target) {
    return "Something named " + shown(target.filename()) +
           " is in that place already. Nothing is ever overwritten.";
}

/// From this many files on, one wait for the whole disk is cheaper than one for each file.
constexpr size_t manyFiles = 4;

class Runner {
public:
    explicit Runner(std::vector<std::unique_ptr<Work>>& works) : works_(works), runs_(works.size()) {}

    bool run() {
        each(&Runner::makePlace);
        eachAtOnce(&Runner::writeBytes);
        flushBytes();
        failBrokenCircles();
        each(&Runner::replace);
        each(&Runner::place);
        unpark();
        flushFolders();
        each(&Runner::removeSource);
        flushFolders();
        eachAtOnce(&Runner::letGo);
        each(&Runner::finish);
        return settled_;
    }

private:
    /// What is open while the group runs.
    struct Run {
        std::optional<OpenFile> open;  // patched in place
        std::optional<NewFile> made;   // with the new content, not in its place yet
        bool replaced = false;         // the new file has taken the name of the old
        bool placed = false;           // the target has it
        bool parked = false;           // it waits under the name in between
        bool unsettled = false;        // neither done nor undone
        std::vector<Path> madeFolders; // really made
    };

    void each(void (Runner::*stage)(Work&, Run&)) {
        for (size_t i = 0; i < works_.size(); ++i)
            if (isOpen(i))
                (this->*stage)(*works_[i], runs_[i]);
    }

    /// The same from several threads: the stage touches nothing but its own step and, by changed(), folders.
    void eachAtOnce(void (Runner::*stage)(Work&, Run&)) {
        const unsigned threads = io::isObserved() ? 1 : 0; // an observer wants one order of calls
        work::inParallel(
            works_.size(),
            [&](size_t i) {
                if (isOpen(i))
                    (this->*stage)(*works_[i], runs_[i]);
            },
            threads);
    }

    /// Names in the folder changed since the last flush.
    void changed(const Path& folder) {
        std::lock_guard lock(foldersMutex_);
        folders_.insert(folder);
    }

    /// Neither failed nor left for later.
    bool isOpen(size_t i) const {
        return works_[i]->entry.record.state == StepState::Begun && !runs_[i].unsettled;
    }

    static bool makesFile(const Work& w) {
        const StepRecord& r = w.entry.record;
        return r.step.copy || r.cross || r.how == CommitClass::Rewrite;
    }

    /// Undoes what was done of this step, and says why. If even that fails, the step stays begun.
    void fail(Work& w, Run& run, const std::string& sentence) {
        StepRecord& r = w.record();
        bool clean = true;
        if (run.made) {
            Path unfinished = run.made->path();
            run.made.reset();
            changed(unfinished.parent_path());
            clean = unfinished.empty() || !isThere(unfinished);
        }
        if (run.placed && (r.step.copy || r.cross)) {
            clean = removeFile(r.step.target) && clean;
            changed(r.step.target.parent_path());
        } else if (run.replaced) {
            clean = restore(w) && clean;
        } else if (run.open) {
            Status back = writePatches(run.open->descriptor(), r.real, w.entry.patches, true);
            clean = back && io::flushData(run.open->descriptor()) == 0 && clean;
            io::setModified(run.open->descriptor(), r.stateBefore.modifiedNs);
        }
        r.error = sentence;
        if (!clean) {
            leaveOpen(run);
            return;
        }
        for (auto it = run.madeFolders.rbegin(); it != run.madeFolders.rend(); ++it)
            removeIfEmpty(*it);
        r.state = StepState::Failed;
        r.madeFolders.clear();
    }

    void fail(Work& w, Run& run, const Error& e) {
        fail(w, run,
             e.kind == ErrorKind::Exists && e.path == w.record().step.target ? taken(e.path) : e.message);
    }

    /// Builds the old content again where a new file had taken its place.
    bool restore(Work& w) {
        StepRecord& r = w.record();
        auto now = FileSource::open(r.real);
        auto file = now ? NewFile::create(r.real, true) : Result<NewFile>(now.error());
        if (!file || !file->fill(**now, r.undo))
            return false;
        io::copyAttributes((*now)->descriptor(), file->descriptor());
        io::setModified(file->descriptor(), r.stateBefore.modifiedNs);
        changed(r.real.parent_path());
        return io::flush(file->descriptor()) == 0 && file->replaceTarget();
    }

    /// Still the file that was looked at?
    bool isSame(const Work& w) {
        const StepRecord& r = w.entry.record;
        auto now = lookAt(r.real);
        return now && now->identity.isSameAs(r.identity) && now->state == r.stateBefore;
    }

    void makePlace(Work& w, Run& run) {
        const StepRecord& r = w.record();
        if (r.remove || r.step.target.empty())
            return;
        const Path folder = r.step.target.parent_path();
        run.madeFolders = missingFolders(folder);
        for (const Path& p : run.madeFolders)
            changed(p.parent_path());
        if (Status made = makeFolders(folder); !made)
            fail(w, run, made.error());
    }

    void writeBytes(Work& w, Run& run) {
        StepRecord& r = w.record();
        if (r.remove)
            return;
        if (!isSame(w))
            return fail(w, run, "The file was changed by something else just now, so it was left alone.");
        const Path& target = r.step.target;
        if (makesFile(w)) {
            bool atTarget = r.step.copy || r.cross;
            auto file = NewFile::create(atTarget ? target : r.real, !atTarget);
            if (!file)
                return fail(w, run, file.error());
            run.made.emplace(std::move(*file));
            if (Status filled = run.made->fill(*w.original, w.recipe); !filled)
                return fail(w, run, filled.error());
            for (std::string& lost : io::copyAttributes(w.original->descriptor(), run.made->descriptor()))
                r.notes.push_back(std::move(lost));
            if (w.modifiedNs)
                io::setModified(run.made->descriptor(), *w.modifiedNs);
            io::startFlush(run.made->descriptor());
            compare(w, run);
        } else if (r.contentChanged()) {
            auto file = OpenFile::open(r.real);
            if (!file)
                return fail(w, run, file.error());
            if (!identityOf(file->descriptor()).isSameAs(r.identity))
                return fail(w, run,
                            "The file was replaced by something else just now, so it was left alone.");
            run.open.emplace(std::move(*file));
            Status written = writePatches(run.open->descriptor(), r.real, w.entry.patches, false);
            if (!written)
                return fail(w, run, written.error());
            if (w.modifiedNs)
                io::setModified(run.open->descriptor(), *w.modifiedNs);
        }
    }

    void flushBytes() {
        std::map<uint64_t, std::vector<size_t>> byDisk; // st_dev -> runs
        for (size_t i = 0; i < works_.size(); ++i)
            if (int fd = descriptorOf(runs_[i]); fd >= 0 && works_[i]->record().state == StepState::Begun)
                byDisk[diskOf(i)].push_back(i);
        for (const auto& [disk, runs] : byDisk) {
            if (runs.size() >= manyFiles && io::flushDisk(descriptorOf(runs_[runs.front()])) == 0)
                continue;
            for (size_t i : runs) { // one by one: so a failure has a name
                int fd = descriptorOf(runs_[i]);
                int error = runs_[i].made ? io::flush(fd) : io::flushData(fd);
                if (error != 0)
                    fail(*works_[i], runs_[i],
                         systemError(error, works_[i]->record().real, "Writing the file"));
            }
        }
    }

    /// What is written lies beside the source, or beside the target.
    uint64_t diskOf(size_t i) {
        const StepRecord& r = works_[i]->record();
        return r.step.copy || r.cross ? deviceOf(r.step.target.parent_path()) : r.identity.device;
    }

    static int descriptorOf(const Run& run) {
        return run.made ? run.made->descriptor() : run.open ? run.open->descriptor() : -1;
    }

    /// What was written into a new file must read back as what was meant, before it takes any name.
    void compare(Work& w, Run& run) {
        if (!run.made)
            return;
        auto written = FileSource::open(run.made->path());
        if (!written || audio::contentHash(**written) != w.record().hashAfter)
            fail(w, run, "What was written does not read back the same. Is the disk failing?");
    }

    /// Names can change places only all together.
    void failBrokenCircles() {
        std::set<int> broken;
        for (size_t i = 0; i < works_.size(); ++i)
            if (works_[i]->record().circle > 0 && !isOpen(i))
                broken.insert(works_[i]->record().circle);
        for (size_t i = 0; i < works_.size(); ++i)
            if (broken.contains(works_[i]->record().circle) && isOpen(i))
                fail(*works_[i], runs_[i],
                     "Another file that it was to change places with could not be written.");
    }

    void replace(Work& w, Run& run) {
        StepRecord& r = w.record();
        if (!run.made || r.step.copy || r.cross)
            return;
        if (!isSame(w))
            return fail(w, run, "The file was changed by something else just now, so it was left alone.");
        if (Status placed = run.made->replaceTarget(); !placed)
            return fail(w, run, placed.error());
        run.replaced = true;
        changed(r.real.parent_path());
    }

    void place(Work& w, Run& run) {
        StepRecord& r = w.record();
        const Path& target = r.step.target;
        if (r.remove || target.empty())
            return;
        if (r.step.copy || r.cross) {
            if (Status named = run.made->takeFreeName(); !named)
                return fail(w, run, named.error());
            run.placed = true;
            changed(target.parent_path());
            return;
        }
        if (broken_.contains(r.circle))
            return;
        changed(r.real.parent_path());
        changed(target.parent_path());
        bool cross = false;
        Status moved = renameFree(r.real, r.parked.empty() ? target : r.parked, cross);
        if (!moved && r.circle > 0)
            broken_[r.circle] = moved.error().message; // all of them go back
        else if (!moved)
            fail(w, run, moved.error());
        else
            (r.parked.empty() ? run.placed : run.parked) = true;
    }

    /// Those that waited while others changed places. If one of them cannot go on, its whole circle goes
    /// back.
    void unpark() {
        bool cross = false;
        for (size_t i = 0; i < works_.size(); ++i) {
            StepRecord& r = works_[i]->record();
            if (!runs_[i].parked || broken_.contains(r.circle))
                continue;
            if (renameFree(r.parked, r.step.target, cross))
                runs_[i].parked = false;
            else if (r.circle > 0)
                broken_[r.circle] = taken(r.step.target);
            else if (renameFree(r.parked, r.real, cross))
                fail(*works_[i], runs_[i], taken(r.step.target));
            else
                leaveOpen(runs_[i]);
        }
        for (const auto& [circle, why] : broken_) {
            std::vector<size_t> members;
            for (size_t i = works_.size(); i-- > 0;)
                if (works_[i]->record().circle == circle && isOpen(i))
                    members.push_back(i);
            bool back = true;
            for (size_t i : members) { // the last one first
                StepRecord& r = works_[i]->record();
                if (runs_[i].placed || runs_[i].parked)
                    back = back && renameFree(runs_[i].parked ? r.parked : r.step.target, r.real, cross);
                runs_[i].placed = false;
            }
            for (size_t i : members) {
                if (back)
                    fail(*works_[i], runs_[i], why);
                else
                    leaveOpen(runs_[i]);
            }
        }
    }

    void leaveOpen(Run& run) {
        run.unsettled = true;
        settled_ = false;
    }

    void flushFolders() {
        for (const Path& folder : folders_)
            if (int error = isThere(folder) ? io::flushFolder(folder) : 0; error != 0) {
                settled_ = false;
                doubt_ = true;
                trouble_ = systemError(error, folder, "Writing the folder").message;
            }
        folders_.clear();
    }

    void removeSource(Work& w, Run& run) {
        StepRecord& r = w.record();
        if (doubt_) // the copy may not have its name on the disk yet
            return;
        if (r.remove) {
            Status removed = removeFile(r.real);
            changed(r.real.parent_path());
            if (!removed)
                fail(w, run, removed.error());
        } else if (r.cross && !r.step.copy) {
            if (!isSame(w))
                return fail(w, run, "The file was changed by something else just now, so it was left alone.");
            changed(r.real.parent_path());
            if (Status removed = removeFile(r.real); !removed)
                fail(w, run, removed.error());
        }
    }

    /// What the old file held goes when nothing has it open any more, which takes the disk its time.
    void letGo(Work& w, Run& run) {
        w.original.reset();
        run.made.reset();
    }

    void finish(Work& w, Run&) {
        StepRecord& r = w.record();
        if (doubt_) {
            r.error = trouble_;
            return;
        }
        if (!r.remove)
            if (auto after = stateOf(r.step.target.empty() ? r.real : r.step.target))
                r.stateAfter = *after;
        r.state = StepState::Done;
    }

    std::vector<std::unique_ptr<Work>>& works_;
    std::vector<Run> runs_;
    std::mutex foldersMutex_;
    std::set<Path> folders_;            // whose names changed since the last flush
    std::map<int, std::string> broken_; // circles, and why
    bool doubt_ = false;                // the names may not be on the disk
    std::atomic<bool> settled_ = true;
    std::string trouble_;
};

} // namespace

uint64_t Work::imageBytes() const {
    uint64_t n = entry.record.undo.fresh.size() + 1024;
    for (const Patch& p : entry.patches)
        n += p.after.size();
    return n;
}

uint64_t Work::newFileBytes() const {
    const StepRecord& r = entry.record;
    return r.step.copy || r.cross || r.how == CommitClass::Rewrite ? recipe.size() : 0;
}

Result<GroupOutcome> runGroup(WriteAheadLog& log, std::vector<std::unique_ptr<Work>>& works) {
    std::vector<NumberedStep> entries;
    for (const auto& w : works) {
        w->record().state = StepState::Begun;
        if (!w->record().step.target.empty() && !w->record().remove)
            w->record().madeFolders = missingFolders(w->record().step.target.parent_path());
        entries.push_back(w->entry);
    }
    auto number = log.append(entries);
    if (!number) {
        for (const auto& w : works) {
            w->record().state = StepState::Planned;
            w->record().madeFolders.clear();
        }
        return number.error();
    }
    entries.clear();
    Runner runner(works);
    GroupOutcome outcome;
    outcome.number = *number;
    outcome.settled = runner.run();
    return outcome;
}

} // namespace moorfrost::files
