// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/files/step_checks.h"

#include <algorithm>
#include <functional>

#include <fmt/format.h>
#include <sys/statvfs.h>
#include <unistd.h>

#include "core/audio/essence.h"
#include "core/files/disk.h"
#include "core/sandbox/parser_pool.h"
#include "core/text/text.h"

namespace moorfrost::files {

namespace fs = std::filesystem;

namespace {

/// Names in folders, by their normal form: names that differ only in how accents are stored look the same.
class Names {
public:
    /// Another name in the folder that looks the same, or empty.
    Path lookalike(const Path& path) {
        auto [it, isNew] = folders_.try_emplace(path.parent_path());
        if (isNew) {
            std::error_code error;
            for (fs::directory_iterator i(path.parent_path(), error), end; !error && i != end;
                 i.increment(error))
                it->second.emplace(key(i->path().filename()), i->path().filename());
        }
        auto range = it->second.equal_range(key(path.filename()));
        for (auto n = range.first; n != range.second; ++n)
            if (n->second != path.filename())
                return path.parent_path() / n->second;
        return {};
    }
    static std::string key(const Path& name) { return text::nfc(text::forDisplay(name.native())); }

private:
    std::map<Path, std::multimap<std::string, Path>> folders_;
};

/// A folder with links resolved, and its disk.
struct Folder {
    Path real;
    FileIdentity identity;
};

void checkAlone(StepRecord& r, std::map<Path, Folder>& folders) {
    if (!r.step.refused.empty())
        return fail(r, r.step.refused);
    std::error_code error;
    const Path& target = r.step.target;
    bool leaves = !r.step.copy && !target.empty();
    auto look = lookAt(r.step.source);
    if (!look)
        return fail(r, "The file is not there any more.");
    if (leaves && look->isLink)
        return fail(r, "This is a link to " + shown(fs::canonical(r.step.source, error)) +
                           ". Put a copy away, or bring in the file itself.");
    if (look->isLink) {
        r.real = fs::canonical(r.step.source, error);
        look = error ? look : lookAt(r.real);
    } else {
        auto [folder, isNew] = folders.try_emplace(r.step.source.parent_path());
        if (isNew) {
            folder->second.real = fs::canonical(folder->first.empty() ? Path(".") : folder->first, error);
            if (auto identity = identityOf(folder->second.real))
                folder->second.identity = *identity;
        }
        r.real = folder->second.real / r.step.source.filename();
        if (folder->second.identity.device ==
            look->identity.device) // it outlives a restart where the device does not
            look->identity.fileSystem = folder->second.identity.fileSystem;
    }
    if (error || !look)
        return fail(r, "The file is not there any more.");
    bool touched = false;
    if (std::string why = whyChanged(r, look->state, touched); !why.empty()) {
        r.stale = true;
        return fail(r, why);
    }
    if (touched)
        r.notes.emplace_back("The file was touched since it was read, but what it holds is the same.");
    r.stateBefore = look->state;
    r.identity = look->identity;
    if (r.identity.fileSystem == 0)
        if (auto full = identityOf(r.real))
            r.identity = *full;
    bool changesFile = !r.step.copy && (!r.step.changes.empty() || r.contentChanged());
    if (changesFile && ::access(r.real.c_str(), W_OK) != 0)
        return fail(r, "The file is read-only. Allow writing to it, then try again.");
    if ((leaves || r.remove) && ::access(r.real.parent_path().c_str(), W_OK | X_OK) != 0)
        return fail(r, "The folder " + shown(r.real.parent_path()) +
                           " is read-only. Allow writing to it, then try again.");
    if (target.empty() || r.remove)
        return;
    Path above = nearestFolder(target.parent_path());
    if (!fs::is_directory(above, error))
        return fail(r, shown(above) + " is a file, but should be a folder. Choose another place.");
    if (::access(above.c_str(), W_OK | X_OK) != 0)
        return fail(r, "The folder " + shown(above) + " is read-only. Allow writing to it, then try again.");
    r.cross = leaves && deviceOf(above) != r.identity.device;
}

void checkPlaces(std::vector<StepRecord*>& all) {
    std::map<Path, size_t> sources, targets;
    std::map<std::pair<Path, std::string>, size_t> looks;
    for (size_t i = 0; i < all.size(); ++i) {
        StepRecord& r = *all[i];
        if (r.state == StepState::Failed)
            continue;
        auto [same, isNew] = sources.emplace(r.real, i);
        if (!isNew && !r.step.copy && !all[same->second]->step.copy) {
            fail(r, "The same file is in this set twice.");
            continue;
        }
        if (!isNew && !r.step.copy)
            same->second = i; // it leaves, once it was copied
        const Path& target = r.step.target;
        if (target.empty())
            continue;
        if (target == r.real) {
            fail(r, "The file is in that place already.");
            continue;
        }
        if (!targets.emplace(target, i).second ||
            !looks.emplace(std::pair(target.parent_path(), Names::key(target.filename())), i).second)
            fail(r, "Two files of this set would get the name " + shown(target.filename()) + ".");
    }
    Names names;
    for (StepRecord* r : all) {
        const Path& target = r->step.target;
        if (r->state == StepState::Failed || target.empty() || r->remove)
            continue;
        auto leaves = [&](const Path& path) {
            auto s = sources.find(path);
            return s != sources.end() && all[s->second]->state != StepState::Failed &&
                   !all[s->second]->step.copy && !all[s->second]->step.target.empty();
        };
        if (isThere(target)) {
            auto there = identityOf(target);
            bool itself = !r->step.copy && there && *there == r->identity; // only the case of letters differs
            if (itself)
                r->parked = parkedName(target);
            else if (!leaves(target))
                fail(*r, "Something named " + shown(target.filename()) +
                             " is in that place already. Nothing is ever overwritten.");
        } else if (Path twin = names.lookalike(target); !twin.empty() && !leaves(twin)) {
            fail(*r, "A file whose name looks just the same is in that place already: " +
                         shown(twin.filename()) + ". Only the way its accents are stored differs.");
        }
    }
}

void checkRoom(std::vector<StepRecord*>& all) {
    std::map<uint64_t, uint64_t> used;
    for (StepRecord* r : all) {
        if (r->state == StepState::Failed || r->step.target.empty() || !(r->step.copy || r->cross))
            continue;
        Path folder = nearestFolder(r->step.target.parent_path());
        uint64_t room = freeBytes(folder);
        uint64_t& sum = used[deviceOf(folder)];
        if (sum + r->stateBefore.size > room)
            fail(*r, noRoom(sum + r->stateBefore.size, room));
        else
            sum += r->stateBefore.size;
    }
}

/// Steps whose place is taken by another one come after it. Where that goes round in a circle, the first one
/// waits under a name in between.
std::vector<std::vector<size_t>> orderOf(std::vector<StepRecord*>& all) {
    std::map<Path, size_t> leaving;
    for (size_t i = 0; i < all.size(); ++i)
        if (all[i]->state != StepState::Failed && !all[i]->step.copy && !all[i]->step.target.empty())
            leaving.emplace(all[i]->real, i);
    std::vector<std::vector<size_t>> order;
    std::vector<bool> placed(all.size(), false);
    int circles = 0;
    // What is copied is copied before it leaves.
    for (size_t i = 0; i < all.size(); ++i) {
        StepRecord& r = *all[i];
        if (r.state == StepState::Failed || !r.step.copy || !leaving.contains(r.real))
            continue;
        placed[i] = true;
        if (leaving.contains(r.step.target))
            fail(r, "Its place is free only after the file has left. Put this copy away by itself.");
        else
            order.push_back({i});
    }
    for (size_t first = 0; first < all.size(); ++first) {
        // The way from here along the places that are taken: each step has at most one in its way.
        std::vector<size_t> way;
        std::set<size_t> seen;
        size_t circleStart = SIZE_MAX;
        for (size_t i = first; !placed[i] && all[i]->state != StepState::Failed;) {
            if (!seen.insert(i).second) {
                circleStart = i;
                break;
            }
            way.push_back(i);
            auto blocker = all[i]->step.target.empty() ? leaving.end() : leaving.find(all[i]->step.target);
            if (blocker == leaving.end() || blocker->second == i)
                break;
            i = blocker->second;
        }
        std::vector<size_t> circle;
        while (!way.empty()) {
            size_t i = way.back();
            way.pop_back();
            placed[i] = true;
            if (circleStart == SIZE_MAX) {
                order.push_back({i});
                continue;
            }
            circle.push_back(i);
            if (i == circleStart) {
                // The last one of the way has its place freed by the first: that one waits in between.
                std::rotate(circle.begin(), circle.end() - 1, circle.end());
                ++circles;
                bool cross = false;
                for (size_t k : circle) {
                    all[k]->circle = circles;
                    cross = cross || all[k]->cross;
                }
                all[circle.front()]->parked = parkedName(all[circle.front()]->step.target);
                if (cross)
                    for (size_t k : circle)
                        fail(*all[k],
                             "Files on different disks would change places. Move one of them away first.");
                else
                    order.push_back(circle);
                circle.clear();
                circleStart = SIZE_MAX;
            }
        }
    }
    return order;
}

} // namespace

void fail(StepRecord& record, const std::string& sentence) {
    record.state = StepState::Failed;
    record.error = sentence;
}

std::string shown(const Path& path) {
    return text::forDisplay(path.native());
}

std::string whyChanged(const StepRecord& r, const FileState& now, bool& touched) {
    touched = false;
    if (!r.step.expected || *r.step.expected == now)
        return {};
    std::string sentence =
        "The file was changed by something else since it was read. Read it again, then decide.";
    if (!r.step.expectedFields || r.step.expectedEssence.empty())
        return sentence;
    auto tags = sandbox::ParserPool::shared().readTags(r.real);
    auto source = FileSource::open(r.real);
    if (!tags || !source)
        return sentence;
    if (tags->fields != *r.step.expectedFields)
        return "The tags of the file were changed by something else since it was read. Read it again, then "
               "decide.";
    auto essence = audio::essenceOf(**source, tags->format);
    if (!essence || essence->hash != r.step.expectedEssence)
        return "The sound of the file was changed by something else since it was read. Listen to it, then "
               "read "
               "it again.";
    touched = true;
    return {};
}

uint64_t freeBytes(const Path& folder) {
    constexpr uint64_t reserve = 1u << 20;
    struct statvfs st {};
    if (::statvfs(nearestFolder(folder).c_str(), &st) != 0)
        return UINT64_MAX;
    uint64_t room = uint64_t{st.f_bavail} * st.f_frsize;
    return room > reserve ? room - reserve : 0;
}

std::string noRoom(uint64_t wanted, uint64_t there) {
    return fmt::format(
        "There is not enough room on the disk: {:.1f} MB are needed, {:.1f} MB are free. Make room, then "
        "try again.",
        static_cast<double>(wanted) / 1e6, static_cast<double>(there) / 1e6);
}

std::vector<std::vector<size_t>> checkSteps(std::vector<StepRecord*>& records) {
    std::map<Path, Folder> folders;
    for (StepRecord* r : records)
        if (r->state != StepState::Failed)
            checkAlone(*r, folders);
    checkPlaces(records);
    // A place is free only if the step that frees it goes through.
    for (bool again = true; again;) {
        again = false;
        std::set<Path> leaving;
        for (StepRecord* r : records)
            if (r->state != StepState::Failed && !r->step.copy && !r->step.target.empty())
                leaving.insert(r->real);
        for (StepRecord* r : records)
            if (r->state != StepState::Failed && !r->step.target.empty() && !r->remove && r->parked.empty() &&
                isThere(r->step.target) && !leaving.contains(r->step.target)) {
                fail(*r, "Something named " + shown(r->step.target.filename()) +
                             " is in that place already. Nothing is ever overwritten.");
                again = true;
            }
    }
    checkRoom(records);
    return orderOf(records);
}

} // namespace moorfrost::files
