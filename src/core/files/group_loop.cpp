// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/files/group_loop.h"

#include <algorithm>
#include <utility>

#include "core/files/step_checks.h"

namespace moorfrost::files {

namespace {

// A group ends where any of these is reached.
constexpr size_t groupSteps = 384, groupNewCount = 96; // each step has a file open
constexpr uint64_t groupImages = 4u << 20, groupNewFiles = 256u << 20;

Path folderOf(Work& w) {
    const StepRecord& r = w.record();
    return r.step.copy || r.cross ? r.step.target.parent_path() : r.real.parent_path();
}

} // namespace

uint64_t GroupLoop::deviceFor(const Path& folder) {
    const auto [it, isNew] = devices_.try_emplace(folder, 0);
    if (isNew)
        it->second = deviceOf(nearestFolder(folder));
    return it->second;
}

bool GroupLoop::hasRoom(Work& w) {
    const uint64_t wanted = w.newFileBytes();
    if (wanted == 0)
        return true;
    const Path folder = folderOf(w);
    const uint64_t device = deviceFor(folder);
    // What is being written may have taken its room already, or not: it is counted in any case.
    return wanted + room_[device] + roomOfRunning_[device] <= freeBytes(folder);
}

bool GroupLoop::add(Group unit) {
    uint64_t images = 0, newFiles = 0;
    size_t newCount = 0;
    for (const auto& w : unit) {
        images += w->imageBytes();
        newFiles += w->newFileBytes();
        newCount += w->newFileBytes() > 0;
    }
    bool full = newCount_ + newCount > groupNewCount || group_.size() + unit.size() > groupSteps ||
                images_ + images > groupImages || newFiles_ + newFiles > groupNewFiles;
    bool tight = false;
    for (const auto& w : unit)
        tight = tight || !hasRoom(*w);
    if ((full || tight) && !flush())
        return false;
    if (tight) { // what the disk really has left is known when nothing is being written
        wait();
        if (!error_.empty())
            return false;
    }
    for (auto& w : unit) {
        StepRecord& r = w->record();
        if (r.state != StepState::Failed && !hasRoom(*w))
            fail(r, noRoom(w->newFileBytes(), freeBytes(r.real.parent_path())));
        images_ += w->imageBytes();
        newFiles_ += w->newFileBytes();
        newCount_ += w->newFileBytes() > 0;
        if (w->newFileBytes() > 0 && r.state != StepState::Failed)
            room_[deviceFor(folderOf(*w))] += w->newFileBytes();
        group_.push_back(std::move(w));
    }
    return true;
}

bool GroupLoop::flush() {
    wait();
    if (!error_.empty())
        return false;
    running_ = std::async(std::launch::async,
                          [this, group = std::move(group_)]() mutable { run(std::move(group)); });
    roomOfRunning_ = std::exchange(room_, {});
    group_.clear();
    images_ = newFiles_ = 0;
    newCount_ = 0;
    return true;
}

void GroupLoop::finish() {
    wait();
    if (last_ > 0 && error_.empty())
        log_.retire(last_, true).ignore(); // it is done, and known to be: recovery would find nothing to do
}

void GroupLoop::stopWith(const std::string& error) {
    try {
        wait();
    } catch (const std::exception&) {
        // the same trouble once more
    }
    error_ = error;
}

void GroupLoop::wait() {
    if (running_.valid())
        running_.get();
    roomOfRunning_.clear();
}

void GroupLoop::run(Group group) {
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

void runUnits(const std::vector<std::vector<size_t>>& order, GroupLoop& loop, std::stop_token stop,
              const std::function<std::unique_ptr<Work>(size_t)>& begin,
              const std::function<void(const std::vector<Work*>&)>& prepareAll) {
    constexpr size_t chunk = 64;
    for (size_t from = 0; from < order.size() && !stop.stop_requested(); from += chunk) {
        size_t to = std::min(order.size(), from + chunk);
        std::vector<Group> units(to - from);
        std::vector<Work*> works;
        for (size_t k = from; k < to; ++k)
            for (size_t i : order[k])
                works.push_back(units[k - from].emplace_back(begin(i)).get());
        prepareAll(works);
        for (Group& unit : units)
            if (!loop.add(std::move(unit)))
                return;
    }
    loop.flush();
}

} // namespace moorfrost::files
