// SPDX-License-Identifier: GPL-3.0-or-later
// Many steps of a file set in groups: one group is written while the next is prepared. One thread at a time.
#pragma once

#include <exception>
#include <functional>
#include <future>
#include <map>
#include <memory>
#include <stop_token>
#include <string>
#include <vector>

#include "core/files/group.h"

namespace moorfrost::files {

using Group = std::vector<std::unique_ptr<Work>>;

/// Runs prepared works group by group. `ended` records what came of a group before it is retired; it may
/// throw.
class GroupLoop {
public:
    GroupLoop(WriteAheadLog& log, std::function<void(Group&)> ended) : log_(log), ended_(std::move(ended)) {}

    /// Adds works that must run together. False after trouble with the log.
    bool add(Group unit);
    /// Runs what is waiting, while the next group is prepared. False after trouble with the groups before.
    bool flush();
    /// At the end: all is done, and what was retired is so on the disk.
    void finish();
    /// After finish().
    const std::string& error() const { return error_; }
    /// After an exception: waits for what runs, then ends with this sentence.
    void stopWith(const std::string& error);

private:
    void wait();
    void run(Group group);
    uint64_t deviceFor(const Path& folder);
    /// For the new file of this work, beside those of its group and of the group that is being written.
    bool hasRoom(Work& w);

    WriteAheadLog& log_;
    std::function<void(Group&)> ended_;
    Group group_;
    uint64_t images_ = 0, newFiles_ = 0, last_ = 0;
    size_t newCount_ = 0;
    std::map<Path, uint64_t> devices_;                  // of folders
    std::map<uint64_t, uint64_t> room_, roomOfRunning_; // bytes of new files, by device
    std::string error_;
    std::future<void> running_; // the group that is being written
};

/// Begins and prepares the steps of each unit, many at once, and hands them on in order.
void runUnits(const std::vector<std::vector<size_t>>& order, GroupLoop& loop, std::stop_token stop,
              const std::function<std::unique_ptr<Work>(size_t)>& begin,
              const std::function<void(const std::vector<Work*>&)>& prepareAll);

} // namespace moorfrost::files
