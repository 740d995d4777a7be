// SPDX-License-Identifier: GPL-3.0-or-later
// Which folders under some roots have changed, as the kernel tells it (inotify). It tells of changes by
// others and by ourselves alike, some time after the last of them; what became of the files is for others to
// look at.
#pragma once

#include <chrono>
#include <functional>
#include <memory>
#include <set>
#include <string>
#include <vector>

#include "core/base/result.h"

namespace moorfrost::files {

class FolderWatch {
public:
    struct Told {
        std::set<Path> folders; // something in them is otherwise, not in what is inside those
        std::set<Path> trees;   // with all that is inside; they may be gone
        bool all = false;       // too much happened to be told one by one
    };
    struct Options {
        /// How long nothing must happen before it is told, and how long that is waited for at most.
        std::chrono::milliseconds quiet{800}, most{5000};
        /// How often it is looked whether a root came or went away (a disk that is mounted).
        std::chrono::milliseconds roots{15000};
        size_t mostFolders = SIZE_MAX; // for tests: as if the system allowed no more
    };
    /// `tell`: from a thread of the watch, one call at a time. `trouble`: it cannot watch all folders, and
    /// why (a sentence); from then on `tell` may know of nothing.
    FolderWatch(std::vector<Path> roots, Options options, std::function<void(Told)> tell,
                std::function<void(std::string)> trouble);
    /// Waits for the thread: no call comes any more.
    ~FolderWatch();
    FolderWatch(const FolderWatch&) = delete;
    FolderWatch& operator=(const FolderWatch&) = delete;

private:
    struct State;
    std::unique_ptr<State> state_;
};

} // namespace moorfrost::files
