// SPDX-License-Identifier: GPL-3.0-or-later
// Putting a group right after a crash.
#include <algorithm>
#include <set>

#include <fcntl.h>
#include <unistd.h>

#include "core/audio/essence.h"
#include "core/files/group.h"
#include "core/files/io.h"
#include "core/files/patching.h"
#include "core/text/text.h"

namespace moorfrost::files {

namespace {

std::string shown(const Path& path) {
    return text::forDisplay(path.native());
}

std::string hashOf(const Path& path) {
    auto source = FileSource::open(path);
    return source ? audio::contentHash(**source) : std::string();
}

void flushFolderOf(const Path& path) {
    if (isThere(path.parent_path()))
        io::flushFolder(path.parent_path());
}

void aside(Settled& s, const std::string& why) {
    s.what = Settled::Aside;
    s.why = why;
}

/// Until the disk is there and can be written to.
void block(Settled& s, const std::string& why) {
    aside(s, why);
    s.entry.record.blocked = true;
}

constexpr const char* again = " Moorfrost tries again when it is started and before it writes.";

bool moveTo(const Path& from, const Path& to) {
    bool cross = false;
    const std::vector<Path> made = missingFolders(to.parent_path());
    if (!makeFolders(to.parent_path()) || !renameFree(from, to, cross))
        return false;
    for (const Path& folder : made) // outer ones first: a folder that is lost takes with it what is in it
        flushFolderOf(folder);
    flushFolderOf(to);
    flushFolderOf(from);
    return true;
}

/// Copies and moves to another disk: the target is there whole, or it is not.
void settleCopied(Settled& s) {
    StepRecord& r = s.entry.record;
    const Path& target = r.step.target;
    if (!isThere(target.parent_path()) && r.madeFolders.empty())
        return block(s, "The folder " + shown(target.parent_path()) +
                            " cannot be reached. Connect its disk." + again);
    if (!r.step.copy && !isThere(r.real.parent_path()))
        return block(s, "The folder " + shown(r.real.parent_path()) +
                            " cannot be reached. Connect its disk." + again);
    if (!isThere(target) || hashOf(target) != r.hashAfter) {
        s.what = Settled::AsBefore;
        if (!r.step.copy && !isThere(r.real))
            aside(s, "The file is neither at its old nor at its new place: " + shown(r.real) + ".");
        return;
    }
    s.what = Settled::Finished;
    if (r.step.copy || !isThere(r.real))
        return;
    auto state = stateOf(r.real);
    if (!state || *state != r.stateBefore) {
        aside(s, "The file was copied to " + shown(target) +
                     ", and something else is now at its old place, " + shown(r.real) +
                     ". Both were left alone.");
        return;
    }
    flushFolderOf(target);
    if (!removeFile(r.real)) {
        block(s, "The file was copied to " + shown(target) + ", but " + shown(r.real) +
                     " could not be removed. Both are whole." + again);
        return;
    }
    flushFolderOf(r.real);
}

/// Where the file is now: its old place, the place in between, or the new one. `sure` where it is known by
/// its number on the disk.
Path locate(const StepRecord& r, bool& sure) {
    std::vector<Path> there;
    for (const Path& p : {r.real, r.parked, r.step.target}) {
        if (p.empty() || !isThere(p))
            continue;
        auto id = identityOf(p);
        if (id && id->isSameAs(r.identity)) {
            sure = true;
            return p;
        }
        there.push_back(p);
    }
    sure = false;
    // A changed file that was built anew has another number; so has one that was put back by a recovery that
    // was interrupted in its turn.
    if (r.how == CommitClass::Rewrite)
        for (const Path& p : there)
            if (std::string hash = hashOf(p); hash == r.hashAfter || hash == r.hashBefore)
                return p;
    return there.size() == 1 ? there.front() : Path();
}

enum class Content { Old, New, Mixed, Neither };

Content contentOf(const StepRecord& r, const std::vector<Patch>& patches, const Path& path, bool sure) {
    if (r.how == CommitClass::Nothing)
        return Content::New;
    if (r.how == CommitClass::Rewrite) {
        if (sure)
            return Content::Old;
        std::string hash = hashOf(path);
        return hash == r.hashAfter ? Content::New : hash == r.hashBefore ? Content::Old : Content::Neither;
    }
    auto open = OpenFile::open(path);
    if (!open) { // it may be read-only by now: looking is enough unless there is something to do
        int fd = ::open(path.c_str(), O_RDONLY | O_CLOEXEC | O_NOFOLLOW | O_NONBLOCK);
        if (fd < 0)
            return Content::Neither;
        PatchState state = patchState(fd, patches, r.stateBefore.size);
        ::close(fd);
        return state == PatchState::Old   ? Content::Old
               : state == PatchState::New ? Content::New
                                          : Content::Neither;
    }
    switch (patchState(open->descriptor(), patches, r.stateBefore.size)) {
    case PatchState::Old:
        return Content::Old;
    case PatchState::New:
        return Content::New;
    case PatchState::Mixed:
        return sure ? Content::Mixed : Content::Neither;
    case PatchState::Neither:
        break;
    }
    return Content::Neither;
}

bool undoPatches(const StepRecord& r, const std::vector<Patch>& patches, const Path& path) {
    auto open = OpenFile::open(path);
    if (!open || !writePatches(open->descriptor(), path, patches, true))
        return false;
    io::setModified(open->descriptor(), r.stateBefore.modifiedNs);
    return io::flush(open->descriptor()) == 0;
}

bool undoRewrite(const StepRecord& r, const Path& path) {
    auto now = FileSource::open(path);
    if (!now)
        return false;
    auto file = NewFile::create(path, true);
    if (!file || !file->fill(**now, r.undo))
        return false;
    io::copyAttributes((*now)->descriptor(), file->descriptor());
    io::setModified(file->descriptor(), r.stateBefore.modifiedNs);
    if (io::flush(file->descriptor()) != 0 || hashOf(file->path()) != r.hashBefore || !file->replaceTarget())
        return false;
    flushFolderOf(path);
    return true;
}

void settleOne(Settled& s) {
    StepRecord& r = s.entry.record;
    const Path& target = r.step.target;
    if (r.remove) {
        s.what = isThere(r.real) ? Settled::AsBefore : Settled::Finished;
        return;
    }
    // What was being built is not needed: either it has its name, or it is built again another time.
    for (const Path& p :
         {temporaryName(r.real, true), target.empty() ? Path() : temporaryName(target, false)})
        if (!p.empty() && isThere(p)) {
            if (!removeFile(p))
                return block(s, "An unfinished file could not be removed: " + shown(p) +
                                    ". Allow writing to its folder." + again);
            flushFolderOf(p);
        }
    if (r.step.copy || r.cross)
        return settleCopied(s);
    bool sure = false;
    Path there = locate(r, sure);
    if (there.empty()) {
        if (isThere(r.real.parent_path()))
            return aside(s, "The file is not at its place any more: " + shown(r.real) + ".");
        return block(s, "The folder of the file cannot be reached: " + shown(r.real.parent_path()) +
                            ". Connect its disk." + again);
    }
    bool moves = !target.empty();
    Content content = contentOf(r, s.entry.patches, there, sure);
    if (content == Content::Neither)
        return aside(s, "The file is neither as it was nor as it was to be: " + shown(there) +
                            ". Something else changed it, so it was left alone.");
    if (there == target) {
        s.what = content == Content::New ? Settled::Finished : Settled::Aside;
        if (s.what == Settled::Aside)
            aside(s, "The file was moved to " + shown(target) + " without its tags.");
        return;
    }
    if (content == Content::Mixed) {
        if (!undoPatches(r, s.entry.patches, there))
            return block(s, "The write into this file was interrupted, and it could not be put back: " +
                                shown(there) + ". Allow writing to it." + again);
        s.what = Settled::Undone;
        content = Content::Old;
    }
    bool begun = there == r.parked || (moves && r.contentChanged() && content == Content::New);
    if (!moves) {
        if (s.what != Settled::Undone)
            s.what = content == Content::New ? Settled::Finished : Settled::AsBefore;
        return;
    }
    if (!begun)
        return; // nothing of it was done, or all of it was undone
    if (!isThere(target) && content == Content::New && moveTo(there, target)) {
        s.what = Settled::Finished;
        return;
    }
    // Its place is taken: back to where it was.
    bool back = there == r.real || (!isThere(r.real) && moveTo(there, r.real));
    bool clean = r.how == CommitClass::Nothing || content == Content::Old ||
                 (r.how == CommitClass::Rewrite ? undoRewrite(r, back ? r.real : there)
                                                : undoPatches(r, s.entry.patches, back ? r.real : there));
    if (!back || !clean)
        return block(s, "The file was on its way to " + shown(target) + ", which is taken. It is " +
                            shown(back ? r.real : there) + " now.");
    s.what = Settled::Undone;
}

bool isParked(const Settled& s) {
    const StepRecord& r = s.entry.record;
    return !r.parked.empty() && isThere(r.parked);
}

/// Files that change places wait for each other: while one waits in between, the others go where they were
/// going. All their bytes were written before the first of them moved.
void finishCircles(std::vector<Settled>& all) {
    std::set<int> open;
    for (const Settled& s : all)
        if (isParked(s))
            open.insert(s.entry.record.circle);
    for (bool again = !open.empty(); again;) {
        again = false;
        for (Settled& s : all) {
            StepRecord& r = s.entry.record;
            Path from = isParked(s) ? r.parked : r.real;
            if (open.contains(r.circle) && !r.step.target.empty() && !isThere(r.step.target) &&
                isThere(from) && moveTo(from, r.step.target))
                again = true;
        }
    }
}

} // namespace

std::vector<Settled> settleGroup(std::vector<NumberedStep> steps) {
    std::vector<Settled> all;
    for (NumberedStep& step : steps)
        all.push_back({std::move(step), Settled::AsBefore, {}});
    finishCircles(all);
    for (Settled& s : all) {
        StepRecord& r = s.entry.record;
        r.blocked = false;
        settleOne(s);
        if (s.what == Settled::Finished) {
            r.state = StepState::Done;
            if (!r.remove)
                if (auto after = stateOf(r.step.target.empty() ? r.real : r.step.target))
                    r.stateAfter = *after;
        } else if (s.what == Settled::Aside) {
            r.state = StepState::SetAside;
            r.error = s.why;
        } else {
            r.state = StepState::Failed;
            r.error = "Moorfrost was stopped before this file was written. It is as it was before.";
            for (auto it = r.madeFolders.rbegin(); it != r.madeFolders.rend(); ++it)
                removeIfEmpty(*it);
            r.madeFolders.clear();
        }
    }
    return all;
}

} // namespace moorfrost::files
