// SPDX-License-Identifier: GPL-3.0-or-later
// A disk that fails, a process that is killed, a history in memory: for tests of what must never lose a file.
#pragma once

#include <csignal>
#include <map>
#include <mutex>
#include <stdexcept>

#include "core/files/change_set.h"
#include "core/files/io.h"

namespace moorfrost::test {

/// Counts the steps of the disk, and does something at one of them.
class FaultyDisk : public files::io::Observer {
public:
    enum class What {
        Nothing,
        KillBefore,
        KillTorn, // in the middle of a write
        Fail,     // the call fails once
        FailOn,   // it and all that follow fail
        Call,     // something else happens just then
    };
    explicit FaultyDisk(What what = What::Nothing, int at = -1, int error = 0)
        : what_(what), at_(at), error_(error) {
        files::io::observe(this);
    }
    ~FaultyDisk() override { files::io::observe(nullptr); }

    int before(files::io::Event& event) override {
        std::lock_guard lock(mutex_); // several threads use the disk
        int now = count_++;
        calls.push_back(event.call);
        if (what_ == What::FailOn && now >= at_)
            return error_;
        if (now != at_)
            return 0;
        switch (what_) {
        case What::KillBefore:
            ::raise(SIGKILL);
            break;
        case What::KillTorn:
            event.length /= 2;
            torn_ = event.call == files::io::Call::Write || event.call == files::io::Call::Copy;
            if (!torn_)
                ::raise(SIGKILL);
            break;
        case What::Fail:
            return error_;
        case What::Call:
            happens();
            break;
        default:
            break;
        }
        return 0;
    }
    void after(const files::io::Event&) override {
        std::lock_guard lock(mutex_);
        if (torn_)
            ::raise(SIGKILL);
    }
    int count() const {
        std::lock_guard lock(mutex_);
        return count_;
    }

    std::function<void()> happens;
    std::vector<files::io::Call> calls;

private:
    mutable std::recursive_mutex mutex_; // what happens may use the disk as well
    What what_;
    int at_, error_, count_ = 0;
    bool torn_ = false;
};

/// A history in memory, which can be told to fail.
class MemoryHistory : public files::JournalSink {
public:
    int failAt = -1; // the number of the call that throws
    int calls = 0;
    std::vector<std::string> log;
    std::map<std::pair<int64_t, size_t>, files::StepRecord> steps;
    int64_t sets = 0;
    std::function<void()> committed; // after each durable call

    int64_t begin(const files::ChangeSet& set) override {
        note("begin " + std::to_string(set.steps.size()));
        ++sets;
        for (size_t i = 0; i < set.steps.size(); ++i)
            steps[{sets, i}].step = set.steps[i];
        done();
        return sets;
    }
    void stepsEnded(int64_t set,
                    const std::vector<std::pair<size_t, const files::StepRecord*>>& ended) override {
        note("ended " + std::to_string(ended.size()));
        for (const auto& [n, r] : ended)
            save(set, n, *r);
        done();
    }
    void foldersRemoved(int64_t, const std::vector<Path>& folders) override {
        note("folders " + std::to_string(folders.size()));
    }
    void end(int64_t, bool stopped) override { note(stopped ? "stopped" : "end"); }

    void save(int64_t set, size_t n, const files::StepRecord& r) {
        files::StepRecord& kept = steps[{set, n}];
        Recipe undo = r.undo.extents.empty() ? kept.undo : r.undo;
        kept = r;
        kept.undo = undo;
    }
    files::StepState stateOf(int64_t set, size_t n) const {
        auto it = steps.find({set, n});
        return it == steps.end() ? files::StepState::Planned : it->second.state;
    }
    /// What library::recover does, for this history. Returns the steps that were set aside.
    std::vector<std::string> recover(files::WriteAheadLog& log);

    /// The steps of a set that are done, in reverse order.
    std::vector<files::PastStep> past(int64_t set) const {
        std::vector<files::PastStep> out;
        for (auto it = steps.rbegin(); it != steps.rend(); ++it)
            if (it->first.first == set && it->second.state == files::StepState::Done)
                out.push_back({set, it->first.second, it->second});
        return out;
    }

private:
    void note(const std::string& what) {
        if (calls++ == failAt)
            throw std::runtime_error("the disk of the journal is full");
        log.push_back(what);
    }
    void done() {
        if (committed)
            committed();
    }
};

inline std::vector<std::string> MemoryHistory::recover(files::WriteAheadLog& groupLog) {
    std::vector<std::string> aside;
    uint64_t number = 0;
    auto found = files::recoverGroup(groupLog, number, [&](const files::NumberedStep& s) {
        files::StepState now = stateOf(s.set, s.number);
        return s.takingBack ? now != files::StepState::Done : now != files::StepState::Planned;
    });
    if (!found)
        return {found.error().message};
    for (files::Recovered& r : *found) {
        files::NumberedStep& s = r.step;
        if (s.record.state == files::StepState::SetAside)
            aside.push_back(s.record.error);
        if (!s.takingBack)
            save(s.set, s.number, s.record);
        else if (r.finished)
            steps[{s.set, s.number}].state = files::StepState::TakenBack;
    }
    done();
    if (number > 0)
        groupLog.retire(number, true).ignore(); // on a disk that fails on purpose
    return aside;
}

} // namespace moorfrost::test
