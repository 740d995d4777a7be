// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/files/file_set.h"

#include <algorithm>
#include <exception>
#include <map>
#include <set>
#include <system_error>

#include <sys/stat.h>
#include <unistd.h>

#include "core/audio/essence.h"
#include "core/files/disk.h"
#include "core/tags/tag_io.h"
#include "core/text/text.h"

namespace moorfrost::files {

namespace fs = std::filesystem;

namespace {

constexpr size_t groupSize = 16; // steps that share one flush of the journal

std::string shown(const Path& path) {
    return text::forDisplay(path.native());
}

/// A step with what has been prepared for it.
struct Work {
    StepRecord record;
    Path source; // the real file: links are resolved
    std::optional<tags::PreparedEdit> edit;
};

void fail(StepRecord& record, const std::string& sentence) {
    record.state = StepState::Failed;
    record.error = sentence;
}

/// How the old file is rebuilt from the new one: runs that both have are taken from the new, the rest is
/// kept.
void keepOldContent(const tags::OverlayStream& overlay, StepRecord& record) {
    struct Shared {
        uint64_t oldOffset, newOffset, length;
    };
    std::vector<Shared> shared;
    uint64_t at = 0;
    for (const tags::Extent& e : overlay.extents()) {
        if (!e.fresh)
            shared.push_back({e.offset, at, e.length});
        at += e.length;
    }
    std::sort(shared.begin(), shared.end(),
              [](const Shared& a, const Shared& b) { return a.oldOffset < b.oldOffset; });
    auto keep = [&](uint64_t from, uint64_t to) {
        if (from >= to)
            return;
        std::string bytes = overlay.original().bytes(from, static_cast<size_t>(to - from));
        record.runs.push_back({true, record.keptBytes.size(), bytes.size()});
        record.keptBytes += bytes;
    };
    uint64_t done = 0;
    for (const Shared& s : shared) {
        if (s.oldOffset < done)
            continue;
        keep(done, s.oldOffset);
        record.runs.push_back({false, s.newOffset, s.length});
        done = s.oldOffset + s.length;
    }
    keep(done, overlay.original().size());
}

/// Writes what `source` reads as into a new file beside `target`, hashing on the way. With `attributes` of a
/// descriptor.
Result<NewFile> build(const ByteSource& source, const Path& target, int attributes) {
    auto file = NewFile::create(target);
    if (!file)
        return file.error();
    std::string buffer(1u << 18, '\0');
    for (uint64_t at = 0; at < source.size();) {
        size_t n = source.read(at, buffer.data(), buffer.size());
        if (n == 0)
            return Error{ErrorKind::Io, target, "The file could not be read to its end."};
        if (Status s = file->append(buffer.data(), n); !s)
            return s.error();
        at += n;
    }
    file->copyAttributes(attributes);
    if (Status s = file->flush(); !s)
        return s.error();
    // What reached the disk must be what was meant, before it takes any name.
    auto written = FileSource::open(file->path());
    if (!written)
        return written.error();
    if (audio::contentHash(**written) != audio::contentHash(source))
        return Error{ErrorKind::Io, target,
                     "What was written does not read back the same. Is the disk failing?"};
    return file;
}

/// All checks that need no other step. Fills in what the journal keeps.
void prepare(Work& work) {
    StepRecord& r = work.record;
    std::error_code error;
    work.source = fs::canonical(r.step.source, error);
    if (error) {
        fail(r, "The file is not there any more.");
        return;
    }
    if (!r.step.copy && !r.step.target.empty() && fs::is_symlink(fs::symlink_status(r.step.source, error))) {
        fail(r,
             "This is a link to " + shown(work.source) + ". Put a copy away, or bring in the file itself.");
        return;
    }
    auto state = stateOf(work.source);
    if (!state) {
        fail(r, state.error().message);
        return;
    }
    r.stateBefore = *state;
    if (r.step.expected && *r.step.expected != *state) {
        fail(r, "The file was changed by something else since it was read. Read it again, then decide.");
        return;
    }
    bool inPlace = !r.step.copy && !r.step.changes.empty();
    if (inPlace && ::access(work.source.c_str(), W_OK) != 0) {
        fail(r, "The file is read-only. Allow writing to it, then try again.");
        return;
    }
    bool leaves = !r.step.copy && (!r.step.target.empty() || !r.step.changes.empty());
    if (leaves && ::access(work.source.parent_path().c_str(), W_OK | X_OK) != 0) {
        fail(r, "The folder " + shown(work.source.parent_path()) +
                    " is read-only. Allow writing to it, then try again.");
        return;
    }
    if (!r.step.changes.empty()) {
        auto edit = tags::prepareEdit(work.source, r.step.changes);
        if (!edit) {
            fail(r, edit.error().message);
            return;
        }
        r.before = edit->before;
        r.after = edit->after;
        r.notes = edit->notes;
        if (!edit->unchanged) {
            r.contentChanged = true;
            if (!r.step.copy && fs::hard_link_count(work.source, error) > 1)
                r.notes.push_back("The file has other names (hard links). They keep the old content.");
            r.hashBefore = audio::contentHash(edit->overlay->original());
            r.hashAfter = audio::contentHash(*edit->overlay);
            if (!r.step.copy)
                keepOldContent(*edit->overlay, r);
            work.edit = std::move(*edit);
        }
    }
    if (!r.contentChanged && (r.step.copy || !r.step.target.empty())) {
        auto source = FileSource::open(work.source);
        if (!source) {
            fail(r, source.error().message);
            return;
        }
        if (r.step.copy)
            r.hashBefore = r.hashAfter = audio::contentHash(**source);
    }
}

/// Moves a file, over a copy that is compared where the disks differ.
Status move(const Path& from, const Path& to) {
    bool crossDevice = false;
    Status renamed = renameFree(from, to, crossDevice);
    if (renamed || !crossDevice)
        return renamed;
    auto source = FileSource::open(from);
    if (!source)
        return source.error();
    auto copy = build(**source, to, (*source)->descriptor());
    if (!copy)
        return copy.error();
    if (Status named = copy->takeFreeName(); !named)
        return named;
    setModified(to, (*source)->modifiedNs());
    Status removed = removeFile(from);
    if (!removed)
        removeFile(to); // the copy that was just made: one file must not become two
    return removed;
}

std::string taken(const Path& target) {
    return "Something named " + shown(target.filename()) +
           " is in that place already. Nothing is ever overwritten.";
}

void carryOutStep(Work& work) {
    StepRecord& r = work.record;
    const Path& target = r.step.target;
    auto failWith = [&](const Error& e) {
        fail(r, e.kind == ErrorKind::Exists && e.path == target ? taken(target) : e.message);
        for (auto it = r.madeFolders.rbegin(); it != r.madeFolders.rend(); ++it)
            removeIfEmpty(*it);
        r.madeFolders.clear();
    };
    auto now = stateOf(work.source);
    if (!now || *now != r.stateBefore) {
        fail(r, "The file was changed by something else just now, so it was left alone.");
        return;
    }
    if (!target.empty())
        if (Status made = makeFolders(target.parent_path(), r.madeFolders); !made) {
            failWith(made.error());
            return;
        }
    if (r.step.copy) {
        auto source = FileSource::open(work.source);
        if (!source) {
            failWith(source.error());
            return;
        }
        const ByteSource& content =
            work.edit ? static_cast<const ByteSource&>(*work.edit->overlay) : **source;
        auto file = build(content, target, (*source)->descriptor());
        Status named = file ? file->takeFreeName() : Status(file.error());
        if (!named) {
            failWith(named.error());
            return;
        }
    } else {
        if (work.edit) {
            // The place is looked at before the tags are touched, so that a step fails whole.
            std::error_code error;
            if (!target.empty() && fs::symlink_status(target, error).type() != fs::file_type::not_found) {
                failWith({ErrorKind::Exists, target, taken(target)});
                return;
            }
            auto file = build(*work.edit->overlay, work.source, work.edit->overlay->original().descriptor());
            Status placed = file ? file->replaceTarget() : Status(file.error());
            if (!placed) {
                failWith(placed.error());
                return;
            }
        }
        if (!target.empty())
            if (Status moved = move(work.source, target); !moved) {
                if (work.edit) { // the tags are written, the place is as before: take the tags back as well
                    StepRecord half = r;
                    half.step.target.clear();
                    if (auto state = stateOf(work.source))
                        half.stateAfter = *state;
                    if (!takeBack(half).done) { // then that is what happened, and the journal says so
                        half.notes.push_back("The tags were written, but the file stayed in its place: " +
                                             moved.error().message);
                        half.state = StepState::Done;
                        r = half;
                        return;
                    }
                }
                failWith(moved.error());
                return;
            }
    }
    if (auto after = stateOf(target.empty() ? work.source : target))
        r.stateAfter = *after;
    r.state = StepState::Done;
    work.edit.reset();
}

/// Steps in an order in which no target is still another step's source. Steps in a circle stay behind, marked
/// as failed.
std::vector<size_t> orderOf(const FileSet& set, std::vector<Work>& works) {
    std::map<Path, size_t> sources;
    std::map<Path, size_t> targets;
    for (size_t i = 0; i < set.steps.size(); ++i) {
        const Step& s = set.steps[i];
        if (!sources.emplace(s.source, i).second && !s.copy)
            fail(works[i].record, "The same file is in this set twice.");
        if (!s.target.empty() && !targets.emplace(s.target, i).second)
            fail(works[i].record,
                 "Two files of this set would get the name " + shown(s.target.filename()) + ".");
    }
    std::vector<size_t> order;
    std::vector<int> mark(set.steps.size(), 0); // 1: being visited, 2: placed
    std::function<bool(size_t)> visit = [&](size_t i) {
        if (mark[i] == 2 || works[i].record.state == StepState::Failed)
            return true;
        if (mark[i] == 1)
            return false;
        mark[i] = 1;
        auto blocker = set.steps[i].target.empty() ? sources.end() : sources.find(set.steps[i].target);
        if (blocker != sources.end() && blocker->second != i && !visit(blocker->second)) {
            fail(works[i].record,
                 "Files of this set would swap their names. Give one of them another name first.");
            return false;
        }
        mark[i] = 2;
        order.push_back(i);
        return true;
    };
    for (size_t i = 0; i < set.steps.size(); ++i)
        visit(i);
    return order;
}

} // namespace

SetReport carryOut(const FileSet& set, JournalSink& journal, std::stop_token stop, work::Progress& progress) {
    SetReport report;
    std::vector<Work> works(set.steps.size());
    for (size_t i = 0; i < works.size(); ++i)
        works[i].record.step = set.steps[i];
    progress.begin(set.steps.size());
    try {
        journal.begin(set);
        std::vector<size_t> order = orderOf(set, works);
        std::vector<std::pair<size_t, const StepRecord*>> refused;
        for (size_t i = 0; i < works.size(); ++i)
            if (works[i].record.state == StepState::Failed)
                refused.emplace_back(i, &works[i].record);
        journal.stepsEnded(refused);
        for (size_t from = 0; from < order.size() && !stop.stop_requested(); from += groupSize) {
            size_t to = std::min(order.size(), from + groupSize);
            std::vector<std::pair<size_t, const StepRecord*>> begun, ended;
            for (size_t k = from; k < to; ++k) {
                Work& work = works[order[k]];
                prepare(work);
                if (work.record.state != StepState::Failed) {
                    work.record.state = StepState::Begun;
                    begun.emplace_back(order[k], &work.record);
                }
                ended.emplace_back(order[k], &work.record);
            }
            journal.stepsBegun(begun);
            for (size_t k = from; k < to; ++k) {
                Work& work = works[order[k]];
                if (work.record.state == StepState::Begun)
                    carryOutStep(work);
                work.edit.reset();
                progress.step(work.record.step.source.filename().native());
            }
            journal.stepsEnded(ended);
        }
        if (!stop.stop_requested()) {
            for (const Path& folder : set.emptied)
                if (removeIfEmpty(folder))
                    report.removedFolders.push_back(folder);
            journal.foldersRemoved(report.removedFolders);
        }
        journal.end(stop.stop_requested());
    } catch (const std::exception& e) {
        report.error = std::string("The journal could not be written, so the write was stopped: ") + e.what();
    }
    for (Work& work : works) {
        report.done += work.record.state == StepState::Done;
        report.failed += work.record.state == StepState::Failed;
        report.left += work.record.state == StepState::Planned || work.record.state == StepState::Begun;
        report.steps.push_back(std::move(work.record));
    }
    return report;
}

namespace {

/// The old content, read through the new file and the kept bytes.
class OldContent : public ByteSource {
public:
    OldContent(const ByteSource& now, const StepRecord& record) : now_(now), record_(record) {
        for (const KeptRun& run : record.runs)
            size_ += run.length;
    }
    uint64_t size() const override { return size_; }
    size_t read(uint64_t offset, char* into, size_t n) const override {
        size_t got = 0;
        uint64_t start = 0;
        for (const KeptRun& run : record_.runs) {
            if (got < n && offset + got < start + run.length && offset + got >= start) {
                uint64_t skip = offset + got - start;
                auto part = static_cast<size_t>(std::min<uint64_t>(n - got, run.length - skip));
                size_t r = part;
                if (run.kept)
                    record_.keptBytes.copy(into + got, part, static_cast<size_t>(run.offset + skip));
                else
                    r = now_.read(run.offset + skip, into + got, part);
                got += r;
                if (r < part)
                    return got;
            }
            start += run.length;
        }
        return got;
    }

private:
    const ByteSource& now_;
    const StepRecord& record_;
    uint64_t size_ = 0;
};

} // namespace

TakeBackResult takeBack(const StepRecord& r) {
    const Path& target = r.step.target;
    std::error_code error;
    Path there = target.empty() ? fs::canonical(r.step.source, error) : target;
    auto now = stateOf(there);
    if (error || !now)
        return {false, "The file is not where it was put: " + shown(there) + "."};
    if (*now != r.stateAfter) {
        // Touched, or changed? Only the content decides, where it is known.
        auto source = FileSource::open(there);
        bool same = source && !r.hashAfter.empty() && audio::contentHash(**source) == r.hashAfter;
        if (!same && (r.contentChanged || r.step.copy || now->size != r.stateAfter.size))
            return {false, "The file was changed by something else since: " + shown(there) + "."};
    }
    if (r.step.copy) {
        if (Status removed = removeFile(there); !removed)
            return {false, removed.error().message};
    } else {
        if (!target.empty() && fs::symlink_status(r.step.source, error).type() != fs::file_type::not_found)
            return {false, "Its old place is taken: " + shown(r.step.source) + "."};
        if (r.contentChanged) {
            auto source = FileSource::open(there);
            if (!source)
                return {false, source.error().message};
            OldContent old(**source, r);
            if (audio::contentHash(old) != r.hashBefore)
                return {false, "What the journal kept does not give the old file: " + shown(there) + "."};
            auto file = build(old, there, (*source)->descriptor());
            Status placed = file ? file->replaceTarget() : Status(file.error());
            if (!placed)
                return {false, placed.error().message};
        }
        if (!target.empty()) {
            std::vector<Path> made;
            if (Status m = makeFolders(r.step.source.parent_path(), made); !m)
                return {false, m.error().message};
            if (Status moved = move(target, r.step.source); !moved)
                return {false, moved.error().message};
        }
        setModified(r.step.source, r.stateBefore.modifiedNs);
    }
    for (auto it = r.madeFolders.rbegin(); it != r.madeFolders.rend(); ++it)
        removeIfEmpty(*it);
    return {true, {}};
}

StepState settle(StepRecord& r) {
    std::error_code error;
    Path source = r.step.source;
    if (Path real = fs::canonical(source, error); !error)
        source = real;
    ::unlink(temporaryName(source).c_str());
    const Path& target = r.step.target;
    if (!target.empty())
        ::unlink(temporaryName(target).c_str());
    auto hashOf = [](const Path& p) {
        auto s = FileSource::open(p);
        return s ? audio::contentHash(**s) : std::string();
    };
    auto deviceOf = [](const Path& p) {
        struct stat st {};
        return ::stat(p.c_str(), &st) == 0 ? st.st_dev : dev_t{};
    };
    bool atSource = fs::exists(source, error), atTarget = !target.empty() && fs::exists(target, error);
    StepState state = StepState::Planned;
    if (r.step.copy) {
        state = atTarget && hashOf(target) == r.hashAfter ? StepState::Done : StepState::Planned;
    } else if (target.empty()) {
        state = r.contentChanged && atSource && hashOf(source) == r.hashAfter ? StepState::Done
                                                                              : StepState::Planned;
    } else if (atTarget && !atSource) {
        state = StepState::Done;
    } else if (atTarget && atSource && deviceOf(target) != deviceOf(source) &&
               hashOf(target) == hashOf(source)) {
        // A move between disks that was cut short after its copy was complete.
        if (removeFile(source))
            state = StepState::Done;
    } else if (atSource && r.contentChanged && hashOf(source) == r.hashAfter) {
        // The tags were written, the move was not: finish it.
        std::vector<Path> made;
        if (makeFolders(target.parent_path(), made) && move(source, target))
            state = StepState::Done;
    }
    if (state == StepState::Done)
        if (auto after = stateOf(target.empty() ? source : target))
            r.stateAfter = *after;
    r.state = state;
    return state;
}

} // namespace moorfrost::files
